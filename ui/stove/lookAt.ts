import type { LookOf } from '../look/PictureButton';
import type { StoveCard } from './stoveView';

/** What a picture or a word at a vessel is of: the step, and the lots that are in it. In a bath they are wet. */
export const lookAt = (runId: string, { step, isWet, state }: StoveCard): LookOf => ({
  lotIds: step.lotIds.filter((lotId) => !(state.lotMoves.findLast((move) => move.lotId === lotId)?.isOut ?? false)),
  liquorId: null,
  at: { runId, stepId: step.id },
  state: isWet ? 'wet' : null,
  light: null,
});
