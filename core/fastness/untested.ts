import type { Share } from '../fibre/fibre';
import { hasCellulose } from '../fibre/lot';
import type { Passport } from '../fibre/passport';

/**
 * What to take a colour for that nobody tested here: dye on plant fibre without a mordant, or one that nobody knows of, may go in
 * light and wash (common practice, no source). null: nothing is dyed, or nothing speaks against it.
 */
export function untestedText({ composition }: { readonly composition: readonly Share[] }, { treatments, state }: Passport): string | null {
  const isDyed = treatments.some(({ kind, certainty }) => kind === 'dye' && certainty === 'known');
  if (!isDyed || !hasCellulose(composition)) return null;
  switch (state.mordant) {
    case 'noneOnPurpose':
      return 'Unmordanted plant fibre: treat its colour as fugitive until it is tested.';
    case 'unknown':
      return 'Plant fibre, and nobody knows whether it was mordanted: treat its colour as fugitive until it is tested.';
    default:
      return null;
  }
}
