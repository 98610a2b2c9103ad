import type { z } from 'zod';
import type { CustomTest, CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import type { Often } from '@/core/diagnose/words';
import { customKey } from '@/core/settings/own-key';

/** An outcome as it is typed; an entry may let it speak of others too, which stay. */
export interface TypedOutcome {
  /** As it is kept already; a new one has none. */
  id?: string;
  words: string;
  condition: string;
  often: Often;
  others?: Record<string, Often>;
}
export const NO_OUTCOME: TypedOutcome = { words: '', condition: '', often: 'always' };
export const NO_TEST = {
  name: '',
  ask: '',
  how: '',
  minutes: '5',
  waitDays: '0',
  cost: 'nothing' as 'nothing' | 'kit' | 'laboratory',
  wounds: '0' as '0' | '1' | '2',
  dig: false,
  leaf: false,
  group: '',
  detections: '0.93',
  errs: '0.04',
  outcomes: [NO_OUTCOME],
  note: '',
};
/** Outcomes beside the last one, “none of these”. */
export const MOST_OUTCOMES = 7;
const NONE = { id: 'none', words: 'None of these', says: 'Nothing that this test can show.' };
const share = (x: number) => String(Number(x.toFixed(4)));

/** The form as an entry fills it. */
export const testForm = (t: CustomTest): typeof NO_TEST => ({
  name: t.name,
  ask: t.ask,
  how: t.how,
  minutes: String(t.minutes),
  waitDays: String(t.waitDays),
  cost: t.cost,
  wounds: String(t.wounds) as '0' | '1' | '2',
  dig: t.dig,
  leaf: t.leaf,
  group: t.groups[0] ?? '',
  detections: share(t.sensitivity),
  errs: share(1 - t.specificity),
  outcomes: t.outcomes.slice(0, -1).map((o): TypedOutcome => {
    const [[condition, often] = ['', 'always' as const], ...others] = Object.entries(t.tells[o.id] ?? {});
    return { id: o.id, words: o.words, condition, often, others: Object.fromEntries(others) };
  }),
  note: '',
});

/** The outcomes with their ids: one that is kept keeps its own, so that what trees were found to have can still be read. */
export function outcomesOf(form: Pick<typeof NO_TEST, 'outcomes'>): (TypedOutcome & { id: string })[] {
  const taken = form.outcomes.flatMap((o) => o.id ?? []);
  const free = Array.from({ length: 2 * MOST_OUTCOMES }, (_, i) => `outcome-${i + 1}`).filter(
    (id) => !taken.includes(id),
  );
  return form.outcomes.map((o, i) => ({ ...o, id: o.id ?? free[i]! }));
}

/**
 * The entry that a form says; of one that is changed stays what has no field.
 * @param nameOf what a condition is called
 */
export function testEntry(
  form: typeof NO_TEST,
  begin: CustomTest | null,
  nameOf: (condition: string) => string,
): z.input<(typeof CUSTOM_SCHEMAS)['test']> {
  const errs = Number(form.errs);
  const sameErrs = begin !== null && form.errs === share(1 - begin.specificity);
  const outcomes = outcomesOf(form);
  const saysOf = ({ id, condition }: TypedOutcome & { id: string }) => {
    const was = begin?.outcomes.find((o) => o.id === id);
    const told = begin?.tells[id] ?? {};
    if (was && (condition ? condition in told : !Object.keys(told).length)) return was.says;
    return condition ? `It speaks of ${nameOf(condition)}.` : 'It speaks of nothing that is known.';
  };
  return {
    ...begin,
    id: begin?.id ?? customKey(form.name),
    name: form.name,
    how: form.how,
    ask: form.ask,
    minutes: Number(form.minutes.replace(',', '.')),
    waitDays: Number(form.waitDays),
    cost: form.cost,
    sensitivity: Number(form.detections),
    specificity: sameErrs ? begin.specificity : 1 - errs,
    wounds: Number(form.wounds) as 0 | 1 | 2,
    groups: form.group ? [form.group, ...(begin?.groups.slice(1) ?? [])] : [],
    dig: form.dig,
    leaf: form.leaf,
    outcomes: [
      ...outcomes.map((o) => {
        const was = begin?.outcomes.find((x) => x.id === o.id);
        // How often it comes out by error is what the test errs: another share is another for each outcome.
        return { ...was, id: o.id, words: o.words, says: saysOf(o), idle: (sameErrs && was?.idle) || errs };
      }),
      begin?.outcomes.at(-1) ?? NONE,
    ],
    tells: Object.fromEntries(
      outcomes.map(({ id, condition, often, others }) => [
        id,
        { ...others, ...(condition ? { [condition]: often } : {}) },
      ]),
    ),
  };
}
