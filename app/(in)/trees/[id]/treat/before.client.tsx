'use client';

import type { Issue } from '@/lib/result';
import { useState } from 'react';
import { type LeafState } from '@/core/season/leaf-state';
import { LEAF_STATES } from '@/core/season/leaf-state';
import { isSoil, type Gate } from '@/core/gates/gate';
import type { Said } from '@/core/gates/said';
import type { LabelUse } from '@/core/label/schema';
import { SOIL_WORDS, type SoilState } from '@/core/weather/air';
import { Choices, TextField } from '@/ui/controls/controls';
import { AskFacts } from '../asks';
import { HoldReasons } from '../hold-reasons';
import { TestPour } from '../test-pour';

/** Where what rises in the tree depends on its leaves. */
const needsLeaf = (use: LabelUse) => use.needsLeaf || use.method === 'trunk-injection';

interface Air {
  temperature: string;
  wind: string;
  humidity: string;
  soil: SoilState | null;
  leaf: LeafState | null;
  intakeMmH: number | null;
}

/** Everything that must be answered before the work is asked before it: facts, the air and the soil of the hour, reasons. */
export function BeforeStart({
  use,
  us,
  gates,
  said,
  onSay,
  air,
  onAir,
  reasons,
  onReason,
  issues,
}: {
  use: LabelUse;
  us: boolean;
  gates: readonly Gate[];
  said: Said;
  onSay: (answers: Said) => void;
  air: Air;
  onAir: (change: Partial<Air>) => void;
  reasons: Readonly<Record<string, string>>;
  onReason: (gate: string, reason: string) => void;
  issues: Issue[];
}) {
  // Opened while something is wanted, and not shut over the fields while they are filled.
  const [unsaid] = useState(!air.temperature || !air.wind);
  return (
    <section aria-label="Before you start" className="mt-5 border-t-2 border-bark pt-3">
      <AskFacts title="Before you start" gates={gates} said={said} onSay={onSay} />
      {needsLeaf(use) && (
        <Choices
          small
          label="The leaves today"
          value={air.leaf}
          onChange={(leaf: LeafState) => onAir({ leaf })}
          options={LEAF_STATES.map((s) => ({ value: s, name: s }))}
        />
      )}
      <HoldReasons gates={gates} reasons={reasons} onReason={onReason} />
      <details
        className="mt-3 border-t border-line"
        open={unsaid || issues.some((x) => x.path.startsWith('weather.')) || undefined}
      >
        <summary className="figures min-h-hand py-3 font-bold">
          {unsaid
            ? 'Air and wind: no station measures here, say what they are'
            : `Air ${air.temperature} ${us ? '°F' : '°C'}, wind ${air.wind} ${us ? 'mph' : 'm/s'}, ${air.humidity ? `${air.humidity} %` : 'humidity not measured'}${isSoil(use) ? `, soil ${air.soil ?? 'not said'}` : ''}: change what you measure here`}
        </summary>
        <div className="grid grid-cols-3 gap-x-3">
          <TextField
            label={`Air, ${us ? '°F' : '°C'}`}
            path="weather.temperatureC"
            issues={issues}
            inputMode="decimal"
            maxLength={20}
            value={air.temperature}
            onChange={(temperature) => onAir({ temperature })}
          />
          <TextField
            label={`Wind, ${us ? 'mph' : 'm/s'}`}
            path="weather.windMs"
            issues={issues}
            inputMode="decimal"
            maxLength={20}
            value={air.wind}
            onChange={(wind) => onAir({ wind })}
          />
          <TextField
            label="Humidity, %"
            hint="if measured"
            path="weather.humidity"
            issues={issues}
            inputMode="decimal"
            maxLength={20}
            value={air.humidity}
            onChange={(humidity) => onAir({ humidity })}
          />
        </div>
        {isSoil(use) && (
          <Choices
            small
            label="Soil"
            value={air.soil}
            onChange={(soil: SoilState) => onAir({ soil })}
            options={SOIL_WORDS.map((s) => ({ value: s, name: s }))}
          />
        )}
        {use.method === 'soil-drench' && (
          <TestPour intakeMmH={air.intakeMmH} onTimed={(intakeMmH) => onAir({ intakeMmH })} />
        )}
      </details>
    </section>
  );
}
