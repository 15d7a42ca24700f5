import { boilingC } from '@/core/heat/boiling';
import { printMass } from '@/core/measure/print';
import type { Home } from '@/core/plan/plan';

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** The figures of the home that plans are made with. */
export function HomePanel({ home }: { home: Home }) {
  const { diary, heatSources, scales, probes } = home;
  const rows: readonly (readonly [string, string])[] = [
    ['awake', `${diary.wakeAt}–${diary.sleepAt}`],
    [
      'away',
      diary.away.length === 0
        ? 'never'
        : diary.away.map((away) => `${away.weekdays.map((day) => WEEKDAYS[day]).join(', ')} ${away.from}–${away.to}`).join('; '),
    ],
    ['time zone', diary.zone],
    [
      'heat',
      heatSources
        .map((source) => `${source.name} (${source.maxW === null ? 'power unknown' : `${source.maxW} W`}${source.outdoors ? ', outdoors' : ''})`)
        .join(', '),
    ],
    [
      'scales',
      scales.length === 0
        ? 'none written down'
        : scales
            .map((scale) => `${scale.name}: reads to ${printMass(scale.readsToG)}${scale.mostG === null ? '' : `, up to ${printMass(scale.mostG)}`}`)
            .join('; '),
    ],
    ['probes', probes.length === 0 ? 'none' : probes.map((probe) => probe.name).join(', ')],
    ['altitude', `${home.altitudeM} m: water boils near ${Math.round(boilingC(home.altitudeM) * 2) / 2} °C`],
    ['circuit', home.circuitW === null ? 'unknown' : `${home.circuitW} W`],
    ['children or pets', home.childrenOrPets ? 'yes' : 'no'],
    ['emergency number', home.emergencyNumber || 'not set'],
  ];
  return (
    <section className="panel">
      <dl className="questions">
        {rows.map(([what, value]) => (
          <div key={what}>
            <dt>{what}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet">Attended heat is planned only while somebody is home and awake. Rests with the heat off may pass the night.</p>
    </section>
  );
}
