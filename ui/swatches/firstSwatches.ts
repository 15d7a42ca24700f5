export const FIRST_RESULTS = 36;
/** The newest results, below /api/v1: a first screen of them comes with the page, all of them a moment later. */
export const FIRST_SWATCHES = `/swatches?first=${FIRST_RESULTS}`;
