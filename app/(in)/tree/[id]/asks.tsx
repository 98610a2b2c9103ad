import { SAID, type FactKey, type Said } from '@/core/gates/said';
import type { Gate } from '@/core/gates/gate';
import { Choices } from '@/ui/controls/controls';

/** What only somebody at the tree can say: open questions first, what has been said below, open to change. */
export function AskFacts({
  gates,
  said,
  onSay,
}: {
  gates: readonly Gate[];
  said: Said;
  onSay: (key: FactKey, answer: string) => void;
}) {
  const open = gates.flatMap((g) => (g.asks ? [{ key: g.asks, answers: g.answers ?? [], why: g.sentence }] : []));
  const answered = (Object.keys(said) as FactKey[]).filter(
    (k) => said[k] !== undefined && !open.some((o) => o.key === k),
  );
  if (!open.length && !answered.length) return null;
  return (
    <>
      {open.map((o) => (
        <div key={o.key} className="border-l-[3px] border-sap pl-3">
          <Choices
            small
            label={SAID[o.key].question}
            value={said[o.key] ?? null}
            onChange={(x) => onSay(o.key, x)}
            options={o.answers.map((a) => ({ value: a, name: a }))}
          />
          <p className="-mt-3 mb-4 text-small text-ink-2">{o.why}</p>
        </div>
      ))}
      {answered.map((k) => (
        <Choices
          key={k}
          small
          label={SAID[k].question}
          value={said[k]!}
          onChange={(x) => onSay(k, x)}
          options={(SAID[k].answers.length ? SAID[k].answers : [said[k]!]).map((a: string) => ({ value: a, name: a }))}
        />
      ))}
    </>
  );
}
