import type { NextResponse } from 'next/server';

const YEAR_S = 365 * 24 * 3600;

/** The cookie of a device. Under https its name binds it to this very host and to https (RFC 6265bis, 4.1.3.2). */
export const cookieName = (isSecure: boolean): string => (isSecure ? '__Host-hyndle' : 'hyndle');

/** No script reads it and no other site sends it. */
export const giveCookie = (response: NextResponse, cookie: string, isSecure: boolean): void =>
  void response.cookies.set(cookieName(isSecure), cookie, { httpOnly: true, sameSite: 'strict', secure: isSecure, path: '/', maxAge: YEAR_S });
