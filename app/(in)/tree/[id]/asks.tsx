import { FACT_KEYS, SAID, type FactKey, type Said } from '@/core/gates/said';
import type { Gate } from '@/core/gates/gate';
import { Choices } from '@/ui/controls/controls';

/**
 * What only somebody at the tree can say. Each question keeps its place when it is answered, so that no other moves under the
 * thumb; an open one is marked.
 */
export function AskFacts({
  gates,
  said,
  onSay,
}: {
  gates: readonly Gate[];
  said: Said;
  onSay: (key: FactKey, answer: string) => void;
}) {
  const asked = new Map(gates.flatMap((g) => (g.asks ? [[g.asks, g] as const] : [])));
  const shown = FACT_KEYS.filter((k) => asked.has(k) || said[k] !== undefined);
  return shown.map((k) => {
    const g = asked.get(k);
    const answers: readonly string[] = g?.answers ?? (SAID[k].answers.length ? SAID[k].answers : [said[k]!]);
    return (
      <div key={k} className={`border-l-[3px] pl-3 ${g ? 'border-sap' : 'border-line'}`}>
        <Choices
          small
          label={SAID[k].question}
          value={said[k] ?? null}
          onChange={(x) => onSay(k, x)}
          options={answers.map((a) => ({ value: a, name: a }))}
        />
        {g && <p className="-mt-3 mb-4 text-small text-ink-2">{g.sentence}</p>}
      </div>
    );
  });
}
