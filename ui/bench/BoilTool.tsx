'use client';
import { boilingC, pressurePa } from '@/core/heat/boiling';
import { parseParam } from '@/core/measure/parseParam';
import { printTemperature } from '@/core/measure/print';
import { celsiusToF } from '@/core/measure/temperature';
import type { Home } from '@/core/plan/plan';
import { Answer, Ask } from './parts';
import { readPlain } from './read';
import type { Address } from './useAddress';

/** Where water boils at the home's altitude, and °C and °F side by side. */
export function BoilTool({ address, home }: { address: Address; home: Home }) {
  const altitude = readPlain(address.get('altitude', String(home.altitudeM)), -450);
  const c = parseParam(address.get('temperature', '160F'), '°C');
  const high = altitude.value !== null && altitude.value > 6000;
  return (
    <>
      <div className="params">
        <Ask
          address={address}
          name="altitude"
          label="Altitude, m"
          otherwise={String(home.altitudeM)}
          problem={high ? 'At most 6000 m.' : altitude.problem}
          hint="The home’s altitude stands on the shelf."
        />
      </div>
      {altitude.value === null || high ? null : (
        <>
          <Answer what="Water boils near">
            {printTemperature(Math.round(boilingC(altitude.value) * 2) / 2)} ({Math.round(celsiusToF(boilingC(altitude.value)))} °F)
          </Answer>
          <p className="quiet small">
            Air pressure {Math.round(pressurePa(altitude.value) / 100)} hPa on an average day; weather moves the boil by about 0.8 °C either way. Sources: ISO
            2533:1975, Wagner and Pruss 1993.
          </p>
        </>
      )}
      <h2>°C and °F</h2>
      <div className="params">
        <Ask
          address={address}
          name="temperature"
          label="Temperature"
          otherwise="160F"
          problem={c.ok ? null : c.error}
          hint="160F, 80 C, or both: 80 °C / 176 °F"
        />
      </div>
      {c.ok && c.value !== null ? (
        <Answer what="Is">
          {printTemperature(c.value)} = {Math.round(celsiusToF(c.value) * 10) / 10} °F
        </Answer>
      ) : null}
    </>
  );
}
