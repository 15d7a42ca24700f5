import { answerOf, Unreachable } from './http';

export interface Upload {
  /** @param share of the file that is sent, 0 to 1 */
  readonly onProgress?: (share: number) => void;
  readonly signal?: AbortSignal;
}

/** Thrown when the person stopped it. */
export class Cancelled extends Error {}

/** Sends a file as it is, as long as it takes. `fetch` tells nothing of how far it is, so this is the older way. Throws Refused, Unreachable, Cancelled. */
export function sendFile<T>(path: string, file: Blob, type = 'application/zip', { onProgress, signal }: Upload = {}): Promise<T> {
  return new Promise((resolve, reject) => {
    const sent = new XMLHttpRequest();
    sent.open('POST', `/api/v1${path}`);
    sent.setRequestHeader('content-type', type);
    sent.upload.onprogress = ({ loaded, total }) => onProgress?.(total > 0 ? loaded / total : 0);
    sent.onload = () => {
      try {
        resolve(answerOf<T>(sent.status, sent.responseText));
      } catch (error) {
        reject(error as Error);
      }
    };
    sent.onerror = () => reject(new Unreachable('Hyndle does not answer. Is it still running?'));
    sent.onabort = () => reject(new Cancelled('Upload cancelled.'));
    if (signal?.aborted) return reject(new Cancelled('Upload cancelled.'));
    signal?.addEventListener('abort', () => sent.abort(), { once: true });
    sent.send(file);
  });
}
