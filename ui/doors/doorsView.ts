import type { z } from 'zod';
import type { doors } from '@/contract/doors';
import type { Role } from '@/core/doors/joining';

export type DoorsView = z.infer<typeof doors>;

export const ROLE_SAYS: Readonly<Record<Role, string>> = { hands: 'Hands: every act', eyes: 'Eyes: looks only' };
