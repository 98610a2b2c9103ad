'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ROLES, type Role } from '@/core/people/rights';
import { MadeAddress } from '@/ui/controls/made-address.client';
import { Choices, FormIssues, SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { savePracticePolicies, editPerson, savePrices, makeResetLink, addPerson } from './actions';

const roles = ROLES.map((r) => ({ value: r, name: r }));

export function AddPerson() {
  const empty = { name: '', email: '', role: 'technician' as Role, password: '' };
  const [form, setForm] = useState(empty);
  const { busy, issues, send } = useSend(addPerson);
  const said = useNotify();
  return (
    <form
      className="mt-2 max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), ...form }, () => {
          said({ sentence: `${form.name} can sign in now.` });
          setForm(empty);
        });
      }}
    >
      <FormIssues issues={issues} known={['name', 'email', 'password']} />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField
          label="Name"
          path="name"
          issues={issues}
          maxLength={120}
          value={form.name}
          onChange={(name) => setForm((f) => ({ ...f, name }))}
        />
        <TextField
          label="E-mail"
          path="email"
          issues={issues}
          type="email"
          maxLength={200}
          value={form.email}
          onChange={(email) => setForm((f) => ({ ...f, email }))}
        />
      </div>
      <Choices label="Role" value={form.role} onChange={(role) => setForm((f) => ({ ...f, role }))} options={roles} />
      <TextField
        label="First password"
        path="password"
        issues={issues}
        type="password"
        autoComplete="new-password"
        maxLength={200}
        value={form.password}
        onChange={(password) => setForm((f) => ({ ...f, password }))}
      />
      <button className="press" disabled={busy}>
        Add them
      </button>
    </form>
  );
}

interface Editable {
  id: string;
  name: string;
  role: Role;
  licenceNumber: string | null;
  licenceCategories: string[];
  licenceExpires: string | null;
  active: boolean;
  version: number;
}
const formOf = (person: Editable) => ({
  role: person.role,
  licenceNumber: person.licenceNumber ?? '',
  licenceCategories: person.licenceCategories.join(', '),
  licenceExpires: person.licenceExpires ?? '',
  active: person.active,
  basedOn: person.version,
});
export function ChangePerson({ person }: { person: Editable }) {
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState(() => formOf(person));
  const router = useRouter();
  // Told once that it has been changed meanwhile, whoever sends again means to go over it.
  const [seenNewer, setSeenNewer] = useState(false);
  const { busy, issues, send } = useSend(editPerson, {
    stale: () => {
      setSeenNewer(true);
      router.refresh();
    },
  });
  const said = useNotify();
  if (!open)
    return (
      <button
        type="button"
        className="min-h-hand underline underline-offset-3"
        onClick={() => {
          // What stands now, not what stood when the page came.
          setForm(formOf(person));
          setSeenNewer(false);
          setOpen(true);
        }}
      >
        Change {person.name}
      </button>
    );
  return (
    <form
      className="mt-2 max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: person.id, ...form, basedOn: seenNewer ? person.version : form.basedOn }, () => {
          said({ sentence: `${person.name} changed.` });
          setOpen(false);
        });
      }}
    >
      <FormIssues issues={issues} known={['licenceNumber', 'licenceCategories', 'licenceExpires']} />
      <SelectField
        label="Role"
        path="role"
        issues={issues}
        value={form.role}
        onChange={(role) => setForm((f) => ({ ...f, role }))}
        options={roles}
      />
      <div className="grid gap-x-5 desk:grid-cols-3">
        <TextField
          label="Licence number"
          path="licenceNumber"
          issues={issues}
          maxLength={80}
          value={form.licenceNumber}
          onChange={(licenceNumber) => setForm((f) => ({ ...f, licenceNumber }))}
        />
        <TextField
          label="Categories, by commas"
          path="licenceCategories"
          issues={issues}
          maxLength={300}
          value={form.licenceCategories}
          onChange={(licenceCategories) => setForm((f) => ({ ...f, licenceCategories }))}
        />
        <TextField
          label="Runs until"
          path="licenceExpires"
          issues={issues}
          type="date"
          value={form.licenceExpires}
          onChange={(licenceExpires) => setForm((f) => ({ ...f, licenceExpires }))}
        />
      </div>
      <Checkbox checked={form.active} onChange={(active) => setForm((f) => ({ ...f, active }))}>
        May sign in
      </Checkbox>
      {person.active && (
        <div className="mt-4">
          <MadeAddress
            label={`For ${person.name}, once, within a day`}
            press="Make a link for a new password"
            className="press press-plain"
            input={{ personId: person.id }}
            action={makeResetLink}
          />
        </div>
      )}
      <div className="mt-3 flex gap-3">
        <button className="press" disabled={busy}>
          Keep
        </button>
        <button type="button" className="press press-plain" onClick={() => setOpen(false)}>
          Leave as it was
        </button>
      </div>
    </form>
  );
}

type Chosen = Parameters<typeof savePracticePolicies>[0];
/** Each question on which good practitioners part, and what the answers mean. */
const QUESTIONS: { key: keyof Chosen; question: string; answers: [value: string, name: string][] }[] = [
  {
    key: 'crownLoss',
    question: 'Crown loss beyond which borers are not treated',
    answers: [
      ['knowledge', 'as the guide says'],
      ['30', '30 %'],
      ['50', '50 %'],
    ],
  },
  {
    key: 'programme',
    question: 'Programme',
    answers: [
      ['conventional', 'conventional, few visits'],
      ['organic', 'organic-listed only'],
      ['threshold', 'threshold only: scout, then act'],
    ],
  },
  {
    key: 'route',
    question: 'Against what sits inside the tree',
    answers: [
      ['soil first', 'soil first: cheap, slow, capped'],
      ['injection first', 'injection first: targeted, wounds'],
      ['spray or physical first', 'spray or physical first'],
    ],
  },
  {
    key: 'frequency',
    question: 'Injections',
    answers: [
      ['yearly, small', 'yearly, small holes'],
      ['every 2–3 years', 'every two or three years'],
    ],
  },
  {
    key: 'stems',
    question: 'Several stems, where a label leaves it open',
    answers: [
      ['ask', 'ask at every plan'],
      ['sum', 'sum of diameters'],
      ['basal-area', 'basal-area equivalent'],
      ['each', 'each stem a tree'],
    ],
  },
  {
    key: 'rootZone',
    question: 'Critical root zone',
    answers: [
      ['12', '12 × diameter'],
      ['18', '18 × diameter: old, sensitive trees'],
    ],
  },
  {
    key: 'woundDressing',
    question: 'Wound dressing',
    answers: [
      ['none', 'none'],
      ['wilt region', 'oaks in the wilt season, at once'],
      ['always on oak', 'always on oak'],
    ],
  },
  {
    key: 'sticky',
    question: 'Sticky bands',
    answers: [
      ['on a wrap', 'always on a wrap'],
      ['never', 'never: ants at soil and bridges'],
    ],
  },
  {
    key: 'mesh',
    question: 'Guards',
    answers: [
      ['metal', 'metal mesh'],
      ['plastic', 'plastic spiral'],
    ],
  },
];

/** Where practitioners disagree, the company chooses; a label or a region's duty is never loosened by it. */
export function ChooseSchools({ chosen }: { chosen: Chosen }) {
  const { issues, send } = useSend(savePracticePolicies);
  const said = useNotify();
  return (
    <div className="pt-2">
      <FormIssues issues={issues} />
      {QUESTIONS.map((q) => (
        <Choices
          key={q.key}
          label={q.question}
          value={chosen[q.key] as string}
          onChange={(x) => send({ ...chosen, [q.key]: x }, () => said({ sentence: 'School chosen.' }))}
          options={q.answers.map(([value, name]) => ({ value, name }))}
        />
      ))}
    </div>
  );
}

/** What the work costs; products bring their own price on their label. */
export function PricesForm({ prices }: { prices: Parameters<typeof savePrices>[0] }) {
  const [form, setForm] = useState(prices);
  const { busy, issues, send } = useSend(savePrices);
  const said = useNotify();
  const field = (key: keyof typeof form, label: string) => (
    <TextField
      label={label}
      path={key}
      issues={issues}
      maxLength={12}
      inputMode={key === 'currency' ? 'text' : 'decimal'}
      value={String(form[key] ?? '')}
      onChange={(x) => setForm((f) => ({ ...f, [key]: x }))}
    />
  );
  return (
    <form
      noValidate
      className="grid items-end gap-x-5 pt-3 desk:grid-cols-3"
      onSubmit={(e) => {
        e.preventDefault();
        send(form, () => said({ sentence: 'Prices kept.' }));
      }}
    >
      {field('currency', 'Currency')}
      {field('visit', 'Coming out')}
      {field('hour', 'An hour')}
      {field('device', 'A device, set and pulled')}
      {field('removeAndReplant', 'Remove and replant, a trunk of 50 cm')}
      {field('discount', 'Yearly discount, %')}
      <button className="press mb-4 justify-self-start" disabled={busy}>
        Keep these prices
      </button>
    </form>
  );
}
