import { useState } from 'react';
import type { WireModel } from '@/core/diagnose/wire';
import { SelectField } from '@/ui/controls/controls';

/** A test that somebody did though nobody proposed it: which one, and what came out. */
export function OtherTest({
  tests,
  done,
  onAnswer,
}: {
  tests: WireModel['tests'];
  /** Tests that have their answer. */
  done: readonly string[];
  onAnswer: (test: string, outcome: string) => void;
}) {
  const [which, setWhich] = useState('');
  const test = tests.find((t) => t.id === which);
  const open = tests
    // What a laboratory finds comes in with its sample.
    .filter((t) => !t.laboratory && !done.includes(t.id))
    .sort((a, b) => a.words.localeCompare(b.words));
  return (
    <details className="mt-3 border-t border-line pt-2">
      <summary className="min-h-hand py-2 font-bold">Another test was done</summary>
      <SelectField
        label="Which test"
        path="other-test"
        value={which}
        onChange={setWhich}
        options={[{ value: '', name: 'Choose …' }, ...open.map((t) => ({ value: t.id, name: t.words }))]}
      />
      {test && (
        <div role="group" aria-label="What came out" className="flex flex-wrap gap-2 pb-3">
          {test.outcomes.map(([id, words]) => (
            <button
              key={id}
              type="button"
              className="press"
              onClick={() => {
                onAnswer(test.id, id);
                setWhich('');
              }}
            >
              {words}
            </button>
          ))}
        </div>
      )}
    </details>
  );
}
