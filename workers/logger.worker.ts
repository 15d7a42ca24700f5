import * as Comlink from 'comlink';
import { readLogger } from '@/core/logger/readLogger';

/** A logger's file of some hundred thousand lines takes a second to read: off the page's own thread. */
const api = { readLogger };
export type LoggerWorker = typeof api;
Comlink.expose(api);
