'use client';
import { useEffect, useState } from 'react';
import type { LoggerAnswers, LoggerFault, LoggerFile } from '@/core/logger/readLogger';
import { err, type Result } from '@/core/result';
import type { LoggerWorker } from '@/workers/logger.worker';
import { errorText } from '../api/http';
import { useThread } from '../api/useThread';

type LoggerRead = Result<LoggerFile, LoggerFault>;

/** What is in the text, read in a worker; null while it is being read, or with no text. */
export function useLoggerFile(text: string | null, zone: string, answers: LoggerAnswers): LoggerRead | null {
  const worker = useThread<LoggerWorker>(() => new Worker(new URL('../../workers/logger.worker.ts', import.meta.url), { type: 'module' }));
  const [read, setRead] = useState<LoggerRead | null>(null);
  useEffect(() => {
    // Nothing of another file, or of other answers, may be taken for this one meanwhile.
    setRead(null);
    if (text === null) return;
    let dropped = false;
    const take = (result: LoggerRead) => !dropped && setRead(result);
    worker.current?.readLogger(text, zone, answers).then(take, (error: unknown) => take(err({ line: null, message: errorText(error) })));
    return () => {
      dropped = true;
    };
  }, [text, zone, answers, worker]);
  return read;
}
