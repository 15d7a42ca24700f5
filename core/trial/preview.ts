import type { Lot } from '../fibre/lot';
import { estimated } from '../figure';
import type { Way } from '../method/data/ways';
import type { Method } from '../method/method';
import { type ChainItem, MOST_LOTS } from '../plan/draft';
import { cutsOf } from './pieces';
import { trialChain } from './session';
import type { Trial, TrialFactor } from './trial';

/** The pieces and steps of a trial before anything is cut: what it comes to can be planned with them. */
export interface TrialPreview {
  readonly lots: readonly Lot[];
  readonly chain: readonly ChainItem[];
}

/**
 * @param asked as the form has it; controls stay out of the session
 * @returns null where no lot is chosen, a piece weighs nothing, or the pieces are more than a session takes
 */
export function trialPreview(
  asked: Pick<Trial, 'design' | 'repeats' | 'dyestuffId'> & {
    readonly factors: readonly TrialFactor[];
    readonly lotId: string | null;
    readonly pieceG: number | null;
  },
  way: Way,
  lots: readonly Lot[],
  find: (methodId: string) => Method | undefined,
): TrialPreview | null {
  const { pieceG } = asked;
  if (pieceG === null || pieceG <= 0) return null;
  const cuts = cutsOf({ ...asked, controls: 0, lotId: asked.lotId ?? '' }, 1);
  const cut = cuts.flatMap(({ lotId, pieces }) => {
    const lot = lots.find(({ id }) => id === lotId);
    return pieces.map((piece) => ({ piece: { ...piece, lotId: `piece-${piece.code}` }, lot }));
  });
  if (cut.length === 0 || cut.length > MOST_LOTS) return null;
  const pieces = cut.flatMap(({ piece, lot }): Lot[] => (lot ? [{ ...lot, id: piece.lotId, name: piece.code, dryWeightG: estimated(pieceG), pieces: 1 }] : []));
  if (pieces.length < cut.length) return null;
  return { lots: pieces, chain: trialChain({ ...asked, pieces: cut.map(({ piece }) => piece) }, way, find) };
}
