// Loaded into a server under test: its disk says that it has the megabytes that the file says.
import fs, { readFileSync } from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';

const file = process.env.ROOM_FILE;
const real = fs.statfsSync;
fs.statfsSync = (...args) => {
  const said = real(...args);
  try {
    return { ...said, bavail: Number(readFileSync(file, 'utf8')) * 1024 * 1024, bsize: 1 };
  } catch {
    return said; // not written yet
  }
};
syncBuiltinESMExports();
