'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DISEASED_TOO } from '@/core/gates/region';
import { METHOD_NAMES, METHODS } from '@/core/label/methods';
import { FormIssues, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveRegion, checkRegion } from './actions';

type Form = Parameters<typeof saveRegion>[0];

export function RegionForm({ region }: { region: Form }) {
  const router = useRouter();
  const said = useNotify();
  const [form, setForm] = useState(region);
  const { busy, issues, send } = useSend(saveRegion);
  const text = (key: keyof Form, label: string, hint?: string) => (
    <TextField
      label={label}
      path={key}
      issues={issues}
      hint={hint}
      value={String(form[key])}
      onChange={(x) => setForm((f) => ({ ...f, [key]: x }))}
    />
  );
  const lines = (key: keyof Form, label: string, hint: string) => (
    <TextArea
      label={label}
      path={key}
      issues={issues}
      hint={hint}
      rows={3}
      value={String(form[key])}
      onChange={(x) => setForm((f) => ({ ...f, [key]: x }))}
    />
  );
  return (
    <form
      noValidate
      className="pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        send(form, ({ version }) => {
          said({ sentence: `Profile kept as version ${version}.` });
          router.refresh();
        });
      }}
    >
      <FormIssues issues={issues} known={Object.keys(form)} />
      <div className="grid gap-x-6 desk:grid-cols-2">
        {text('name', 'Name')}
        {text('beeTrees', 'No soil systemics on', 'Host groups, with commas: lime, maple')}
        {text('water', 'Least distance to water, m')}
        {text('boundary', 'Least distance to the boundary, m')}
        {text('checkMonths', 'A check of a label holds, months')}
        {text('recordYears', 'Records are kept, years')}
        {lines('banned', 'Banned actives', 'One a line: active: why')}
        {lines('reserved', 'Reserved actives', 'One a line: active | licence class: why')}
        {lines(
          'closed',
          'Closed seasons for cutting',
          `One a line: hosts | 04-01 | 07-31: why. It lets diseased wood be cut out; where it does not, add “| ${DISEASED_TOO}”.`,
        )}
        {lines('bannedUses', 'Methods banned on hosts', 'One a line: dust | lime, maple: why; no hosts: on every tree')}
        {lines('reportable', 'To be reported to the authority', 'One a line, by the name in the field guide')}
        {lines('presence', 'How present a trouble is here', 'One a line: name: absent, rare, usual or spreading')}
        {text('licenceClasses', 'Licence classes', 'With commas')}
        {text('recordFields', 'What a record must hold', 'With commas')}
        <div>
          {text('notifyHours', 'Neighbours are told before, hours', 'Empty: no duty.')}
          {METHODS.filter((m) => m.endsWith('spray') || m === 'dust').map((m) => (
            <Checkbox
              key={m}
              checked={form.notifyMethods.includes(m)}
              onChange={(on) =>
                setForm((f) => ({
                  ...f,
                  notifyMethods: on ? [...f.notifyMethods, m] : f.notifyMethods.filter((x) => x !== m),
                }))
              }
            >
              before a {METHOD_NAMES[m].toLowerCase()}
            </Checkbox>
          ))}
        </div>
      </div>
      <Checkbox checked={form.licenceNeeded} onChange={(on) => setForm((f) => ({ ...f, licenceNeeded: on }))}>
        Every application needs a licence
      </Checkbox>
      <button className="press press-main mt-3 min-w-56" disabled={busy}>
        {busy ? 'Keeping …' : 'Keep as a new version'}
      </button>
    </form>
  );
}

export function SignRegion({ regionKey }: { regionKey: string }) {
  const router = useRouter();
  const said = useNotify();
  const { busy, issues, send } = useSend(checkRegion);
  const [against, setAgainst] = useState('');
  return (
    <>
      <FormIssues issues={issues} known={['against']} />
      <TextField
        label="Read against (law, code or authority, and its date)"
        path="against"
        issues={issues}
        maxLength={300}
        value={against}
        onChange={setAgainst}
      />
      <button
        type="button"
        className="press mt-2"
        disabled={busy}
        onClick={() =>
          send({ key: regionKey, against }, () => {
            setAgainst('');
            said({ sentence: 'Signed as compared today.' });
            router.refresh();
          })
        }
      >
        I have read every line against it today
      </button>
    </>
  );
}
