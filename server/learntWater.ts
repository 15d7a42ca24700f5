import { type LearntWater, waterOfBaths } from '@/core/chem/learnWater';
import { foldRun } from '@/core/run/fold';
import { watersSeen } from '@/core/run/watersSeen';
import type { App } from './app';
import { ofNewestRuns } from './newestRuns';

const seen = ofNewestRuns('What its water is', (_, plan, events) => watersSeen(plan, foldRun(plan.steps, events)));

/** What the strips of the newest runs say of the tap; null while none tells. */
export const learntWater = async (app: App): Promise<LearntWater | null> => waterOfBaths(await seen(app));
