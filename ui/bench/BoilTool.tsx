'use client';
import { boilingC, pressurePa } from '@/core/heat/boiling';
import type { Home } from '@/core/kitchen/home';
import { celsiusToF } from '@/core/measure/temperature';
import { temperatureReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Answer, Ask } from './parts';
import { asked, plain } from './read';
import type { Address } from './useAddress';

/** Where water boils at the home's altitude, and °C and °F side by side. */
export function BoilTool({ address, home }: { address: Address; home: Home }) {
  const { measures, temperature } = usePrint();
  const altitude = asked(address, 'altitude', String(home.altitudeM), plain(-450, 6000));
  const c = asked(address, 'temperature', '160F', temperatureReader(measures, -100, 1000));
  return (
    <>
      <div className="fields">
        <Ask {...altitude.field} label="Altitude, m" hint="The home’s altitude stands on the shelf." />
      </div>
      {altitude.value === null ? null : (
        <>
          <Answer what="Water boils near">
            {temperature(Math.round(boilingC(altitude.value) * 2) / 2)}
            {measures.temperature === 'C' ? ` (${Math.round(celsiusToF(boilingC(altitude.value)))} °F)` : ''}
          </Answer>
          <p className="quiet small">
            Air pressure {Math.round(pressurePa(altitude.value) / 100)} hPa on an average day; weather moves the boil by about 0.8 °C either way. Sources: ISO
            2533:1975, Wagner and Pruss 1993.
          </p>
        </>
      )}
      <h2 className="head-plain">°C and °F</h2>
      <div className="fields">
        <Ask {...c.field} label="Temperature" hint="160F, 80 C, or both: 80 °C / 176 °F" />
      </div>
      {c.value === null ? null : (
        <Answer what="Is">
          {Math.round(c.value * 10) / 10} °C = {Math.round(celsiusToF(c.value) * 10) / 10} °F
        </Answer>
      )}
    </>
  );
}
