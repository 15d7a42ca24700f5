/** Ids are made here, so that a retry after a lost answer is the same act and not a second one. */
export const newId = (): string => crypto.randomUUID();
