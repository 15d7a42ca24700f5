import { expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { home } from '@/core/plan/plan.fixture';
import { daysText, HOME_PARTS, homeSentence } from './homeSentences';

const print = printer(METRIC, 'Europe/Berlin');

test.each([
  [[1, 2, 3, 4, 5], 'Monday to Friday'],
  [[6, 0], 'Saturday and Sunday'],
  [[0, 1, 2, 3, 4, 5, 6], 'every day'],
  [[1, 3, 5], 'Monday, Wednesday and Friday'],
  [[2], 'Tuesday'],
  [[], 'on no day'],
])('%j is %s', (weekdays, text) => expect(daysText(weekdays)).toBe(text));

test('the home reads as sentences', () => {
  expect(homeSentence('diary', home, print)).toBe('Somebody is awake from 07:00 to 22:30, and away Monday to Friday from 08:30 to 17:00.');
  const diary = { ...home.diary, away: [] };
  expect(homeSentence('diary', { ...home, diary: { ...diary, sleepAt: '01:30' } }, print)).toBe(
    'Somebody is awake from 07:00 to 01:30 of the next day, and home all day.',
  );
  expect(homeSentence('diary', { ...home, diary: { ...diary, sleepAt: '07:00' } }, print)).toBe('Somebody is awake round the clock, and home all day.');
  expect(homeSentence('heat', home, print)).toBe('There are heat 1 (2000 W) and heat 2 (1500 W). What one circuit gives nobody looked up.');
  expect(homeSentence('place', { ...home, altitudeM: 1500 }, print)).toBe(
    'It lies 1500 m up, where water boils near 95 °C. Its clocks are those of Europe/Berlin.',
  );
  expect(homeSentence('care', { ...home, lookAt: '18:00' }, print)).toContain('What steeps for days has its look at 18:00.');
  expect(homeSentence('care', home, print)).toContain('whenever a day is over');
  expect(homeSentence('scales', { ...home, scales: [] }, print)).toContain('No scale');
  expect(homeSentence('water', { ...home, water: { alkalinityMgL: 178.48, hardnessMgL: null } }, print)).toContain('178 mg/L');
  expect(homeSentence('water', { ...home, water: { alkalinityMgL: null, hardnessMgL: { least: 180, most: 250 } } }, print)).toContain('180–250 mg/L');
  expect(homeSentence('water', home, print)).toContain('Nobody asked');
  for (const part of HOME_PARTS) expect(homeSentence(part, home, print)).toMatch(/\.$/);
});
