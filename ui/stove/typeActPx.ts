/** Height of the typed line at the stove, px: kept free until it comes, so that nothing moves. */
export const TYPE_ACT_PX = 132;
