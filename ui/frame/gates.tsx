import type { Gate, Strength } from '@/core/gates/gate';
import type { MarginCount } from './frame';

/** Stop: a filled bar with a notch. Hold: an open bar. Note: a dot. Shape, word and colour say the same. */
export function StrengthMark({ strength, small = false }: { strength: Strength; small?: boolean }) {
  const h = small ? 'h-5' : 'h-full min-h-hand';
  if (strength === 'note')
    return (
      <span aria-hidden className={`flex w-3.5 flex-none justify-center ${small ? '' : 'pt-1.5'}`}>
        <span className="size-2.5 rounded-full bg-ink-2" />
      </span>
    );
  if (strength === 'hold') return <span aria-hidden className={`w-3.5 flex-none border-[3px] border-sap ${h}`} />;
  return (
    <span
      aria-hidden
      className={`w-3.5 flex-none bg-madder ${h}`}
      style={{ clipPath: 'polygon(0 0,100% 0,100% 40%,45% 50%,100% 60%,100% 100%,0 100%)' }}
    />
  );
}

const tint = { stop: 'text-madder', hold: 'text-sap', note: 'text-ink' } as const;

export const countGates = (gates: Pick<Gate, 'strength'>[]): MarginCount => ({
  stops: gates.filter((g) => g.strength === 'stop').length,
  holds: gates.filter((g) => g.strength === 'hold').length,
  notes: gates.filter((g) => g.strength === 'note').length,
});

/** One gate: what it says, why, from where, and what would satisfy it. */
export function GateLine({ gate, children }: { gate: Gate; children?: React.ReactNode }) {
  return (
    <li className="row flex gap-3 py-3">
      <StrengthMark strength={gate.strength} />
      <div className="min-w-0 flex-1">
        <p className={`font-bold ${tint[gate.strength]}`}>
          <span className="sr-only">{gate.state === 'asked' ? 'Question' : gate.strength}: </span>
          {gate.title}
        </p>
        <p className="text-[0.9375rem]">{gate.sentence}</p>
        <p className="mt-0.5 text-[0.9375rem] font-semibold">→ {gate.satisfy}</p>
        <p className="mt-0.5 text-small text-ink-2">{gate.source}</p>
        {children}
      </div>
    </li>
  );
}

/** The gates in force, stops first. */
export function GateList({ gates, title = 'Gates' }: { gates: Gate[]; title?: string }) {
  return (
    <section aria-label={title}>
      <h2 className="text-body">{title}</h2>
      {gates.length === 0 && (
        <p className="py-3 text-[0.9375rem]">
          No gate trips. Of the rules entered, all are met; the label in hand comes first.
        </p>
      )}
      <ul>
        {gates.map((g) => (
          <GateLine key={g.id} gate={g} />
        ))}
      </ul>
    </section>
  );
}
