'use client';

import type { z } from 'zod';
import type { conditionSchema } from '@/core/diagnose/knowledge';
import { CERTAINTIES, certaintyWords, COMMON_WORDS, KINDS, NATURES } from '@/core/diagnose/words';
import { customKey } from '@/core/settings/own-key';
import { SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { Picked, type Named } from '@/ui/controls/picked.client';
import { ConditionSigns } from './condition-signs.client';
import { ConditionWays } from './condition-ways.client';
import { MONTHS, CustomForm, useCustomForm } from './own-form.client';
import { WholeEntry } from './whole-entry.client';

/** A condition as it is written: what its schema fills in may be missing. */
export type WrittenCondition = z.input<typeof conditionSchema>;
/** Changes a part of what is written. */
export type SetCondition = (more: Partial<WrittenCondition>) => void;

const POLICIES = [
  { value: 'treat', name: 'treat it' },
  { value: 'relieve', name: 'relieve people of it; the tree bears it' },
  { value: 'restore', name: 'restore what it lacks' },
  { value: 'leave', name: 'leave it' },
  { value: 'manage', name: 'manage or remove the tree' },
  { value: 'driver', name: 'treat what lets it in' },
] as const;
const NATURE_WORDS: Readonly<Record<(typeof NATURES)[number], string>> = {
  hairs: 'Its hairs harm whoever works there',
  spores: 'Its spores harm whoever breathes them',
  'no cut': 'Nothing is cut before the authority has spoken',
  gas: 'There may be gas in the ground',
};
const same = <T extends string>(list: readonly T[]) => list.map((x) => ({ value: x, name: x }));
const GRADES = ['0', '1', '2', '3', '4'].map((g) => ({
  value: g,
  name: g === '0' ? 'whenever it is there' : `grade ${g}`,
}));

/** A condition of one's own: from nothing or from another one, by fields; what has no field stays as it was begun. */
export function CustomCondition({
  draft,
  from,
  begin,
  lists,
  action,
}: {
  draft: string;
  /** What it is begun from: a condition by its id, or nothing. */
  from: string;
  begin: WrittenCondition;
  lists: { groups: Named[]; signs: Named[]; outcomes: Named[]; conditions: Named[]; methods: readonly string[] };
  action: string;
}) {
  const changes = begin.id !== '';
  const bench = useCustomForm('condition', draft, { entry: begin, note: '' }, changes);
  const { issues, own } = bench;
  const { entry, note } = bench.form;
  const set: SetCondition = (more) => bench.set({ entry: { ...entry, ...more } });
  type Text = 'name' | 'about' | 'course' | 'threshold' | 'useless' | 'tell' | 'decidingTest';
  const fieldOf = (Box: typeof TextField | typeof TextArea) =>
    function field(key: Text, label: string) {
      return (
        <Box
          label={label}
          path={`text.${key}`}
          issues={issues}
          value={entry[key]}
          onChange={(x: string) => set({ [key]: x })}
        />
      );
    };
  const [text, area] = [fieldOf(TextField), fieldOf(TextArea)];
  const settled = entry.deciding ? `${entry.deciding.test}/${entry.deciding.outcome}` : '';
  const settle = (chosen: string) => {
    const [test, outcome] = chosen.split('/');
    if (!test || !outcome) return set({ deciding: null });
    const was = entry.tests?.[test];
    set({
      deciding: { test, outcome },
      tests: { ...entry.tests, [test]: { ...was, [outcome]: was?.[outcome] ?? 'always' } },
    });
  };
  return (
    <>
      <form action={action} className="flex flex-wrap items-end gap-3">
        <input type="hidden" name="what" value="condition" />
        <label className="flex-1 basis-56">
          <span className="mb-1 block font-semibold">Begin from</span>
          <select name="from" defaultValue={from} className="box">
            <option value="">nothing</option>
            {lists.conditions.map((n) => (
              <option key={n.id} value={n.id}>
                {n.name}
              </option>
            ))}
          </select>
        </label>
        <button className="press">Begin</button>
      </form>
      <div className="mt-4">
        <CustomForm
          own={own}
          known={[
            ...['name', 'latin', 'groups', 'about', 'course', 'threshold', 'useless', 'tell', 'decidingTest'],
            ...['options', 'signs', 'telling'],
          ]}
          onSave={() => bench.keep({ ...entry, id: changes ? entry.id : customKey(entry.name), basis: note })}
        >
          {text('name', 'What it is called')}
          <div className="grid gap-x-5 desk:grid-cols-2">
            <TextField
              label="Latin name (may stay empty)"
              path="text.latin"
              issues={issues}
              maxLength={120}
              value={entry.latin ?? ''}
              onChange={(x) => set({ latin: x || undefined })}
            />
            <SelectField
              label="What it is"
              path="text.kind"
              issues={issues}
              value={entry.kind}
              onChange={(kind) => set({ kind })}
              options={same(KINDS)}
            />
          </div>
          <Picked
            label="On which trees"
            path="text.groups"
            issues={issues}
            hint="Groups, or single trees. With none it is on every tree."
            all={lists.groups}
            chosen={entry.groups}
            onChange={(groups) => set({ groups })}
          />
          {area('about', 'What it is and does, in a sentence or two')}
          {area('course', 'What happens if nothing is done')}
          <div className="grid gap-x-5 desk:grid-cols-3">
            <SelectField
              label="Its signs are made from"
              path="text.season.0"
              issues={issues}
              hint="month of the northern year"
              value={String(entry.season[0])}
              onChange={(m) => set({ season: [Number(m), entry.season[1]] })}
              options={MONTHS}
            />
            <SelectField
              label="to"
              path="text.season.1"
              issues={issues}
              value={String(entry.season[1])}
              onChange={(m) => set({ season: [entry.season[0], Number(m)] })}
              options={MONTHS}
            />
            <SelectField
              label="How common it is on them"
              path="text.common"
              issues={issues}
              value={entry.common}
              onChange={(common) => set({ common })}
              options={same(COMMON_WORDS)}
            />
          </div>
          <ConditionSigns entry={entry} set={set} issues={issues} signs={lists.signs} />
          <h3 className="mt-6 mb-2">How it is settled</h3>
          {text('decidingTest', 'What settles it, in words')}
          <SelectField
            label="The test that does, where there is one"
            path="text.deciding"
            issues={issues}
            value={settled}
            onChange={settle}
            options={[{ value: '', name: 'none' }, ...lists.outcomes.map((o) => ({ value: o.id, name: o.name }))]}
          />
          <Picked
            label="What it is taken for"
            path="text.lookalikes"
            issues={issues}
            all={lists.conditions}
            chosen={entry.lookalikes ?? []}
            onChange={(lookalikes) => set({ lookalikes })}
          />
          <h3 className="mt-6 mb-2">What is done</h3>
          <div className="grid gap-x-5 desk:grid-cols-3">
            <SelectField
              label="Once it is sure"
              path="text.policy"
              issues={issues}
              value={entry.policy}
              onChange={(policy) => set({ policy })}
              options={POLICIES}
            />
            <SelectField
              label="To cure it, one must be"
              path="text.curativeNeeds"
              issues={issues}
              value={entry.curativeNeeds}
              onChange={(curativeNeeds) => set({ curativeNeeds })}
              options={CERTAINTIES.map((c) => ({ value: c, name: certaintyWords(c) }))}
            />
            <SelectField
              label="Worth acting on from"
              path="text.actFrom"
              issues={issues}
              value={String(entry.actFrom ?? 1)}
              onChange={(x) => set({ actFrom: Number(x) })}
              options={GRADES}
            />
          </div>
          {text('threshold', 'From when on it is worth acting, in words')}
          <ConditionWays entry={entry} set={set} issues={issues} methods={lists.methods} />
          {text('useless', 'What does not work, and why')}
          {area('tell', 'What the client is told')}
          <div className="mb-4 flex flex-col gap-2">
            <Checkbox checked={entry.reportable ?? false} onChange={(reportable) => set({ reportable })}>
              It is to be reported to the authority
            </Checkbox>
            <Checkbox checked={entry.hazard ?? false} onChange={(hazard) => set({ hazard })}>
              The tree may break or fall by it
            </Checkbox>
            {NATURES.map((n) => (
              <Checkbox
                key={n}
                checked={entry.nature?.includes(n) ?? false}
                onChange={(on) => set({ nature: NATURES.filter((x) => (x === n ? on : entry.nature?.includes(x))) })}
              >
                {NATURE_WORDS[n]}
              </Checkbox>
            ))}
          </div>
          <WholeEntry entry={entry} onEntry={(next) => bench.set({ entry: next })} />
        </CustomForm>
      </div>
    </>
  );
}
