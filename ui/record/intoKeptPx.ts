/** Width of the list of kept jars and jugs, and of its place before it comes. */
export const INTO_KEPT_PX = 230;
