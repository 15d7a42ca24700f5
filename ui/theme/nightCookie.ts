/** Read by the server, so that a page is painted in its light at once. */
export const NIGHT_COOKIE = 'hyndle-night';
