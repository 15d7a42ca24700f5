'use client';
import { createContext, useContext } from 'react';
import type { z } from 'zod';
import type { me } from '@/contract/doors';

export type Me = z.infer<typeof me>;

/** Which device this page is on, as the server knows it. */
export const WhoIAm = createContext<Me>({ kind: 'machine' });
export const useMe = (): Me => useContext(WhoIAm);
