/** What pages ask for together, as paths below /api/v1. */
export const BOOK = ['/methods', '/dyestuffs', '/assistants', '/baths', '/stock'] as const;
export const PLANNING = [...BOOK, '/lots', '/vessels', '/stays', '/swatches/dyes', '/pots/heat', '/pots/held'] as const;
