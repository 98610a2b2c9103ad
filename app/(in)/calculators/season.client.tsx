'use client';

import { GONE_MM, shareLeft } from '@/core/season/cover';
import { scabHoursNeeded } from '@/core/season/infection';
import { figure, LENGTH, type UnitSystem } from '@/lib/units/units';
import { Pour } from '@/ui/frame/pieces';
import { read, Tool } from './tool.client';

const MM_PER_IN = LENGTH.in * 10;

/** Single sums of the year: whether wet leaves were infected, and what rain has left of a cover. */
export function SeasonTools({ units }: { units: UnitSystem }) {
  const us = units === 'us';
  return (
    <>
      <Tool
        title="Wet leaves and apple scab"
        fields={[
          ['t', `Mean of the wet hours, ${us ? '°F' : '°C'}`],
          ['wet', 'Wet hours since the rain began'],
        ]}
      >
        {(v) => {
          const r = read(v, {
            t: { name: 'The temperature', min: -40, max: us ? 130 : 55 },
            wet: { name: 'The wet hours', min: 0, max: 400 },
          });
          const needed = r.ok ? scabHoursNeeded(us ? (r.n.t - 32) / 1.8 : r.n.t) : null;
          return {
            issues: r.ok ? [] : r.issues,
            out: r.ok && (
              <Pour label="Wet hours that infect" value={needed === null ? 'none' : String(needed)} unit="h">
                {needed === null
                  ? 'The table runs from 1 to 26 °C.'
                  : r.n.wet >= needed
                    ? 'Infection is likely where leaves are green and spores are about.'
                    : `${figure(needed - r.n.wet, 3)} hours are missing.`}
              </Pour>
            ),
          };
        }}
      </Tool>
      <Tool title="Rain on a cover" fields={[['rain', `Rain since it dried, ${us ? 'in' : 'mm'}`]]}>
        {(v) => {
          const r = read(v, { rain: { name: 'The rain', min: 0, max: us ? 80 : 2000 } });
          return {
            issues: r.ok ? [] : r.issues,
            out: r.ok && (
              <Pour
                label="Cover that is left"
                value={figure(100 * shareLeft(us ? r.n.rain * MM_PER_IN : r.n.rain), 2)}
                unit="%"
              >
                A rule of thumb: all is gone after {us ? `${figure(GONE_MM / MM_PER_IN, 2)} in` : `${GONE_MM} mm`}. The
                label’s own millimetres come first; what is inside the leaf is not washed off.
              </Pour>
            ),
          };
        }}
      </Tool>
    </>
  );
}
