import path from 'node:path';
import { FolderInUse } from '../lock';
import { openStore } from '../openStore';
import { isNotStored, type Store } from '../store';
import { NewerData } from '../upcasts';

export const say = (text: string): void => void process.stdout.write(`${text}\n`);

export const dataFolder = (): string => path.resolve(process.env.HYNDLE_DATA ?? 'data');

/** Whether everything is on a database server instead of in the folder. */
export const isOnServer = Boolean(process.env.DATABASE_URL);

export const openOurs = (): Promise<Store> => openStore(dataFolder());

/** Runs it, and ends with a sentence where it is no fault of ours. */
export async function main(work: () => Promise<void>): Promise<never> {
  try {
    await work();
    process.exit(0);
  } catch (error) {
    say(
      error instanceof FolderInUse || error instanceof NewerData || isNotStored(error) || (error as Error).name === 'NotAnArchive'
        ? (error as Error).message
        : String((error as Error).stack),
    );
    process.exit(1);
  }
}
