import { FACT_KEYS, SAID, type Said } from '@/core/gates/said';
import type { Gate } from '@/core/gates/gate';
import { Choices } from '@/ui/controls/controls';

/**
 * What only somebody at the tree can say. Each question keeps its place when it is answered, so that no other moves under the
 * thumb; an open one is marked. Where several are open, one press says that all are as they should be: the first answer of each.
 */
export function AskFacts({
  title,
  gates,
  said,
  onSay,
}: {
  title: string;
  gates: readonly Gate[];
  said: Said;
  onSay: (answers: Said) => void;
}) {
  const asked = new Map(gates.flatMap((g) => (g.asks ? [[g.asks, g] as const] : [])));
  const open = [...asked.values()].filter((g) => g.state === 'asked' && g.answers?.length);
  const shown = FACT_KEYS.filter((k) => asked.has(k) || said[k] !== undefined);
  // Which stage of the pest is there has no usual answer.
  const usual = Object.fromEntries(open.flatMap((g) => (g.asks === 'stage' ? [] : [[g.asks!, g.answers![0]!]])));
  return (
    <>
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
        <h2>{title}</h2>
        {open.length > 1 && (
          <button type="button" className="press min-h-hand" onClick={() => onSay(usual)}>
            All of these are as they should be
          </button>
        )}
      </div>
      {shown.map((k) => {
        const gate = asked.get(k);
        const answers: readonly string[] = gate?.answers ?? (SAID[k].answers.length ? SAID[k].answers : [said[k]!]);
        return (
          <div key={k} className={`border-l-[3px] pl-3 ${gate ? 'border-sap' : 'border-line'}`}>
            <Choices
              small
              label={SAID[k].question}
              value={said[k] ?? null}
              onChange={(x) => onSay({ [k]: x })}
              options={answers.map((a) => ({ value: a, name: a }))}
            />
            {gate && <p className="-mt-3 mb-4 text-small text-ink-2">{gate.sentence}</p>}
          </div>
        );
      })}
    </>
  );
}
