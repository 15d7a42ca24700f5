// Loaded into a server under test: its time runs ahead by what the file says, so that a day of work takes seconds.
import { readFileSync } from 'node:fs';

const file = process.env.CLOCK_FILE;
const realNow = Date.now;
let aheadMs = 0;
const read = () => {
  try {
    aheadMs = Number(readFileSync(file, 'utf8')) || 0;
  } catch {
    // Not written yet.
  }
};
if (file) {
  read();
  setInterval(read, 20).unref();
  Date.now = () => realNow() + aheadMs;
}
