import type { Beam, Weight } from '@/core/diagnose/evidence';
import { sureOf } from '@/core/diagnose/sureness';
import { inSentence } from '@/core/diagnose/words';

/** A tenth of a bit moves a beam, and is not worth a word. */
const telling = (weights: readonly Weight[]) => weights.filter((w) => Math.abs(w.bits) > 0.3);
const listed = (weights: readonly Weight[], most: number) => {
  const rest = weights.length - most;
  return `${weights
    .slice(0, most)
    .map((w) => inSentence(w.words))
    .join(' · ')}${rest > 0 ? ` · and ${rest} more` : ''}`;
};

/**
 * The balance: every candidate a beam, what speaks for it to the right of the post, what speaks against it to the left.
 * Words stand below the beam, where they have room; widths are bits of evidence. Filled is for, open and dashed is
 * against, so that it reads without colour. A finger on a name names the candidate.
 */
export function BalanceFigure({
  beams,
  most = 3,
  named,
  onName,
  short = false,
}: {
  beams: readonly Beam[];
  /** Words on each side. */
  most?: number;
  named?: string;
  onName?: (id: string) => void;
  /** Without words below the beams, for a small place. */
  short?: boolean;
}) {
  const total = (w: readonly Weight[]) => w.reduce((s, x) => s + Math.abs(x.bits), 0);
  // Percent of the figure for a bit of evidence, the same on both sides; the post stands a little left of the middle,
  // for what is for has more to say. A plain ratio: the scales of a library would weigh more than the figure.
  const widest = Math.max(3, ...beams.map((b) => Math.max(total(b.for), total(b.against) * 1.35)));
  const right = (bits: number) => Math.min(58, (bits / widest) * 58);
  const left = (bits: number) => Math.min(40, (bits / widest) * 54);
  if (beams.every((b) => b.for.length + b.against.length === 0))
    return (
      <figure aria-label="The balance of evidence" className="row py-2">
        <p className="text-small text-ink-2">Before anything is seen, by host, place and season:</p>
        <p className="flex flex-wrap gap-x-5">
          {beams.map((b) => (
            <span key={b.id}>
              <b>{b.name}</b> <span className="figures text-small">{b.sure}</span>
            </span>
          ))}
        </p>
      </figure>
    );
  return (
    <figure aria-label="The balance of evidence">
      <ol>
        {beams.map((b, i) => (
          <li
            key={b.id}
            className={`row grid grid-cols-[minmax(140px,200px)_1fr] gap-x-4 py-1.5 phone:grid-cols-1 ${named === b.id ? 'bg-paper' : ''}`}
          >
            <div className="flex min-w-0 flex-col phone:flex-row phone:items-baseline phone:justify-between phone:gap-3">
              {onName ? (
                <button
                  type="button"
                  onClick={() => onName(b.id)}
                  className="min-h-8 text-left text-[1.0625rem] leading-tight font-bold underline decoration-line underline-offset-4"
                >
                  {b.name}
                </button>
              ) : (
                <b className="text-[1.0625rem] leading-tight">{b.name}</b>
              )}
              <span className="figures text-small text-ink-2">
                {sureOf(b.p)}, <b className="text-ink">{b.sure}</b>
              </span>
            </div>
            <div className="min-w-0">
              <div className="relative h-6" aria-hidden>
                <span className="absolute inset-y-0 left-[41%] w-[2.5px] bg-ink" />
                <span
                  className="moved absolute inset-y-1 flex flex-row-reverse"
                  style={{ right: '59%', width: `${left(total(b.against))}%` }}
                >
                  {b.against.map((w) => (
                    <span
                      key={w.kind + w.id}
                      className="-ml-px h-full border border-dashed border-ink-2"
                      style={{ flexGrow: Math.abs(w.bits) }}
                    />
                  ))}
                </span>
                <span
                  className="moved absolute inset-y-1 flex"
                  style={{ left: 'calc(41% + 2px)', width: `${right(total(b.for))}%` }}
                >
                  {b.for.map((w) => (
                    <span
                      key={w.kind + w.id}
                      className="-mr-px h-full border border-ink bg-cambium"
                      style={{ flexGrow: w.bits, opacity: b.p < 0.1 ? 0.55 : 1 }}
                    />
                  ))}
                </span>
              </div>
              {!short && (b.p >= 0.02 || i < 2) && (
                <p className="text-small leading-snug">
                  {telling(b.for).length > 0 && (
                    <>
                      <b>for:</b> {listed(telling(b.for), most)}
                    </>
                  )}
                  {telling(b.for).length > 0 && telling(b.against).length > 0 && <br />}
                  {telling(b.against).length > 0 && (
                    <span className="text-ink-2">
                      <b>against:</b> {listed(telling(b.against), most)}
                    </span>
                  )}
                </p>
              )}
            </div>
          </li>
        ))}
      </ol>
      <figcaption className="mt-1 flex justify-between text-small text-ink-2">
        <span>Dashed, left of the post: against. Filled, right of it: for.</span>
      </figcaption>
    </figure>
  );
}
