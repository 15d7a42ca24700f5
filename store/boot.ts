import { readFileSync } from 'node:fs';
import { uptime } from 'node:os';

/** Seconds by which two reckonings of one boot may differ. */
const SLACK_S = 30;

/** Which boot of the machine this is: the kernel's own name for it, or the time it began to the half minute. */
export function thisBoot(nowMs: number): string {
  try {
    return readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
  } catch {
    return `boot ${Math.round((nowMs / 1000 - uptime()) / SLACK_S)}`;
  }
}
