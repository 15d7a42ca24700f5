import { boilingC } from '@/core/heat/boiling';
import { attendMinOf, type Home } from '@/core/kitchen/home';
import type { Measures } from '@/core/measure/measures';
import { printDuration } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { unreachable } from '@/core/result';
import { hardnessText } from '../form/hardnessReader';

export const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;

const list = (parts: readonly string[]): string => (parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`);

/** Weekdays as people say them: "Monday to Friday", "Saturday and Sunday". */
export function daysText(weekdays: readonly number[]): string {
  const days = weekdays.map((day) => (day === 0 ? 7 : day)).toSorted((a, b) => a - b);
  const [first, last] = [days[0], days.at(-1)];
  if (days.length === 7) return 'every day';
  if (first === undefined || last === undefined) return 'on no day';
  if (days.length > 2 && last - first === days.length - 1) return `${WEEKDAYS[first % 7]} to ${WEEKDAYS[last % 7]}`;
  return list(days.map((day) => WEEKDAYS[day % 7] ?? ''));
}

/** The parts of the home that are read as sentences and changed one at a time. */
export const HOME_PARTS = ['diary', 'heat', 'scales', 'probes', 'place', 'water', 'care', 'measures'] as const;
export type HomePart = (typeof HOME_PARTS)[number];
export const PART_TITLE: Readonly<Record<HomePart, string>> = {
  diary: 'Awake and away',
  heat: 'Heat',
  scales: 'Scales',
  probes: 'Probes',
  place: 'Where it stands',
  water: 'The water',
  care: 'Care',
  measures: 'As you measure',
};

/** Held into ice or boiling water by the dyer. */
const isSetRight = ({ iceReadsC, boilReadsC }: Home['probes'][number]): boolean => iceReadsC != null || boilReadsC != null;

/** One part of the home in a sentence or two. */
export function homeSentence(part: HomePart, home: Home, print: Printer): string {
  const { diary, heatSources, scales, probes } = home;
  switch (part) {
    case 'diary': {
      const away = diary.away.map((one) => `${daysText(one.weekdays)} from ${print.wall(one.from)} to ${print.wall(one.to)}`);
      const { wakeAt, sleepAt } = diary;
      const awake =
        wakeAt === sleepAt ? 'round the clock' : `from ${print.wall(wakeAt)} to ${print.wall(sleepAt)}${sleepAt < wakeAt ? ' of the next day' : ''}`;
      return `Somebody is awake ${awake}${away.length === 0 ? ', and home all day.' : `, and away ${list(away)}.`}`;
    }
    case 'heat':
      return heatSources.length === 0
        ? 'There is no heat: plans keep to cold work.'
        : `There ${heatSources.length === 1 ? 'is' : 'are'} ${list(
            heatSources.map(
              (source) =>
                `${source.name} (${source.maxW === null ? 'power unknown' : `${source.maxW} W`}${source.outdoors ? ', outdoors' : ''}${source.dyeOnly ? ', for dyeing only' : ''})`,
            ),
          )}. ${home.circuitW === null ? 'What one circuit gives nobody looked up.' : `One circuit gives ${home.circuitW} W.`}`;
    case 'scales':
      return scales.length === 0
        ? 'No scale is written down: then nobody can say whether a dose is too small for it.'
        : `${list(
            scales.map((one) => `${one.name} reads to ${print.mass(one.readsToG)}${one.mostG === null ? '' : ` and carries ${print.mass(one.mostG)}`}`),
          )}.`;
    case 'probes':
      return probes.length === 0
        ? 'No probe tells temperatures by itself; they are typed at the stove.'
        : `${list(probes.map((probe) => `${probe.name}${isSetRight(probe) ? ' (set right)' : ''}`))} tell temperatures by themselves.`;
    case 'place':
      return `It lies ${home.altitudeM} m up, where water boils near ${print.temperature(Math.round(boilingC(home.altitudeM) * 2) / 2)}. Its clocks are those of ${diary.zone}.`;
    case 'water':
      return waterSentence(home.water);
    case 'care':
      return `${home.childrenOrPets ? 'Children or pets live here.' : 'No children or pets live here.'} ${
        home.emergencyNumber ? `In an emergency you call ${home.emergencyNumber}.` : 'No emergency number is written down.'
      } ${attendSentence(home)} ${lookSentence(home, print)}`;
    case 'measures':
      return measuresSentence(print.measures);
    default:
      return unreachable(part);
  }
}

function attendSentence(home: Home): string {
  const after = attendMinOf(home);
  return after === null
    ? 'Nobody is asked whether they are still with the heat.'
    : `Who leaves the heat alone for ${printDuration(after)} is asked whether they are there.`;
}

const lookSentence = ({ lookAt }: Home, print: Printer): string =>
  lookAt == null ? 'What steeps for days is looked at whenever a day is over.' : `What steeps for days has its look at ${print.wall(lookAt)}.`;

function waterSentence(water: Home['water']): string {
  const [alkalinity, hardness] = [water?.alkalinityMgL ?? null, water?.hardnessMgL ?? null];
  if (alkalinity !== null) return `The tap’s alkalinity is ${hardnessText(alkalinity)}: so much acid it takes before it turns sour.`;
  if (hardness !== null) return `The tap’s hardness is ${hardnessText(hardness)}; its alkalinity is guessed from that.`;
  return 'Nobody asked what the tap holds. Its alkalinity (on a drop test: KH) decides how much acid a bath takes.';
}

function measuresSentence({ mass, volume, kitchen, temperature, clock, weekStart, dateOrder }: Measures): string {
  const masses = mass === 'grams' ? 'grams' : 'ounces and pounds';
  const volumes = volume === 'litres' ? 'litres' : volume === 'us' ? 'US spoons, cups and gallons' : 'imperial ounces, pints and gallons';
  const spoons =
    kitchen === null
      ? 'A spoon or cup with no name is asked about'
      : `A spoon or cup with no name is ${kitchen === 'us' ? 'a US' : kitchen === 'metric' ? 'a metric' : kitchen === 'imperial' ? 'an imperial' : 'an Australian'} one`;
  const dates = dateOrder === 'dmy' ? '28 Nov' : dateOrder === 'mdy' ? 'Nov 28' : '2026-11-28';
  return `You read ${masses}, ${volumes}, °${temperature}, a ${clock === '24h' ? '24' : '12'}-hour clock and dates like ${dates}; the week begins on ${WEEKDAYS[weekStart]}. ${spoons}. Every field takes every writing all the same.`;
}
