import { LIFE_STAGES, type Life, type LifeStage } from '@/core/season/life-schema';
import { LIFE_TONES, LIFE_WORDS, lifeTimeWords, spanWords } from '@/ui/season-words';
import { at, DAY, ticksOf, xOf } from './span';

/** A stage on its days, as it is drawn. */
export interface LifeBar {
  stage: LifeStage;
  first: string;
  last: string;
}

const WIDTH = 480;
const HEIGHT = 22;
const FILLS = { opening: 'url(#life-opening)', full: 'var(--cambium)', closing: 'var(--sheet)' } as const;

/**
 * The year of a trouble: a row for each of its stages with what it hangs on, and its days at a place. Words stand beside every
 * bar; the pattern tells what begins something from what goes on and what is hidden.
 */
export function LifeFigure({
  life,
  bars,
  from,
  to,
  today,
  south,
  heat,
}: {
  life: Life;
  bars: readonly LifeBar[];
  from: string;
  to: string;
  today: string;
  south: boolean;
  heat: ReadonlyMap<string, string>;
}) {
  const span = { from: at(from), to: at(to) + DAY };
  const x = xOf(span, WIDTH);
  const stages = LIFE_STAGES.filter((s) => life.some((l) => l.stage === s));
  const ticks = ticksOf(span, WIDTH);
  return (
    <div className="grid grid-cols-[minmax(9rem,1fr)_minmax(0,480px)] items-center gap-x-4 phone:grid-cols-1">
      <svg width="0" height="0" className="absolute" aria-hidden>
        <defs>
          <pattern id="life-opening" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--sheet)" />
            <rect width="3" height="6" fill="var(--ink)" />
          </pattern>
        </defs>
      </svg>
      <span aria-hidden className="phone:hidden" />
      <svg viewBox={`0 0 ${WIDTH} 18`} className="h-[18px] w-full" aria-hidden>
        {ticks.map((t) => (
          <text key={t.at} x={x(t.at) + 2} y="14" fontSize="12" fill="var(--ink)">
            {t.words.slice(0, 3)}
          </text>
        ))}
      </svg>
      {stages.map((stage) => {
        const own = bars.filter((b) => b.stage === stage);
        const times = life.filter((l) => l.stage === stage).map((l) => lifeTimeWords(l.time, south, heat));
        const said = own.map((b) => spanWords(b.first, b.last)).join(', ');
        return (
          <div key={stage} className="row col-span-full grid grid-cols-subgrid items-center py-1.5">
            <span>
              <b className="inline-block first-letter:uppercase">{LIFE_WORDS[stage]}</b>{' '}
              <span className="block text-small text-ink-2">{times.join('; again ')}</span>
            </span>
            <svg
              viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
              className="h-[22px] w-full"
              role="img"
              aria-label={said ? `${LIFE_WORDS[stage]}: ${said}` : `${LIFE_WORDS[stage]}: its days cannot be told here`}
            >
              {ticks.map((t) => (
                <path key={t.at} d={`M${x(t.at)} 0V${HEIGHT}`} stroke="var(--line-2)" />
              ))}
              {own.map((b) => (
                <rect
                  key={b.first}
                  x={x(at(b.first))}
                  y="5"
                  width={Math.max(3, x(at(b.last) + DAY) - x(at(b.first)))}
                  height="12"
                  fill={FILLS[LIFE_TONES[stage]]}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
              ))}
              <path d={`M${x(at(today))} 0V${HEIGHT}`} stroke="var(--ink)" strokeWidth="3" />
            </svg>
          </div>
        );
      })}
    </div>
  );
}
