import { expect, test } from 'vitest';
import { diskTrouble } from './trouble';

test.each([
  ['ENOSPC', /full.*until there is room/],
  ['EDQUOT', /full/],
  ['EROFS', /cannot be written to/],
  ['EACCES', /cannot be written to/],
  ['ENOENT', /is gone/],
  ['EIO', /reports a fault/],
  ['EWHAT', /refuses to store anything \(EWHAT\)/],
])('%s is a sentence', (code, words) => expect(diskTrouble(Object.assign(new Error('x'), { code }))).toMatch(words));
test('even of what is no error of the disk', () => expect(diskTrouble('odd')).toMatch(/\(odd\)/));
