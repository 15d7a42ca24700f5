const YEAR_S = 365 * 24 * 3600;

/** The cookie of a device. Under https its name binds it to this very host and to https (RFC 6265bis, 4.1.3.2). */
export const cookieName = (isSecure: boolean): string => (isSecure ? '__Host-hyndle' : 'hyndle');

/** As a `set-cookie` line: no script reads it and no other site sends it. */
export const cookieLine = (cookie: string, isSecure: boolean): string =>
  `${cookieName(isSecure)}=${cookie}; Path=/; Max-Age=${YEAR_S}; ${isSecure ? 'Secure; ' : ''}HttpOnly; SameSite=strict`;
