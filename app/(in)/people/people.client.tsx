'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { ROLES, type Role } from '@/core/people/rights';
import { Choices, FormFaults, SelectField, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { chooseSchools, editPerson, newPerson } from './actions';

const roles = ROLES.map((r) => ({ value: r, name: r }));

export function AddPerson() {
  const empty = { name: '', email: '', role: 'technician' as Role, password: '' };
  const [form, setForm] = useState(empty);
  const { busy, faults, send } = useSend(newPerson);
  const said = useSaid();
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
      <FormFaults faults={faults} known={['name', 'email', 'password']} />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField
          label="Name"
          path="name"
          faults={faults}
          maxLength={120}
          value={form.name}
          onChange={(name) => setForm((f) => ({ ...f, name }))}
        />
        <TextField
          label="E-mail"
          path="email"
          faults={faults}
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
        faults={faults}
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
}
export function ChangePerson({ person }: { person: Editable }) {
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState({
    role: person.role,
    licenceNumber: person.licenceNumber ?? '',
    licenceCategories: person.licenceCategories.join(', '),
    licenceExpires: person.licenceExpires ?? '',
    active: person.active,
  });
  const { busy, faults, send } = useSend(editPerson);
  const said = useSaid();
  if (!open)
    return (
      <button type="button" className="min-h-12 underline underline-offset-3" onClick={() => setOpen(true)}>
        Change {person.name}
      </button>
    );
  return (
    <form
      className="mt-2 max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: person.id, ...form }, () => {
          said({ sentence: `${person.name} changed.` });
          setOpen(false);
        });
      }}
    >
      <FormFaults faults={faults} known={['licenceNumber', 'licenceCategories', 'licenceExpires']} />
      <SelectField
        label="Role"
        path="role"
        faults={faults}
        value={form.role}
        onChange={(role) => setForm((f) => ({ ...f, role }))}
        options={roles}
      />
      <div className="grid gap-x-5 desk:grid-cols-3">
        <TextField
          label="Licence number"
          path="licenceNumber"
          faults={faults}
          maxLength={80}
          value={form.licenceNumber}
          onChange={(licenceNumber) => setForm((f) => ({ ...f, licenceNumber }))}
        />
        <TextField
          label="Categories, by commas"
          path="licenceCategories"
          faults={faults}
          maxLength={300}
          value={form.licenceCategories}
          onChange={(licenceCategories) => setForm((f) => ({ ...f, licenceCategories }))}
        />
        <TextField
          label="Runs until"
          path="licenceExpires"
          faults={faults}
          type="date"
          value={form.licenceExpires}
          onChange={(licenceExpires) => setForm((f) => ({ ...f, licenceExpires }))}
        />
      </div>
      <Tick checked={form.active} onChange={(active) => setForm((f) => ({ ...f, active }))}>
        May sign in
      </Tick>
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

/** Where practitioners disagree, the outfit chooses; a label or a region's duty is never loosened by it. */
export function ChooseSchools({
  crownLoss,
  programme,
}: {
  crownLoss: 'knowledge' | '30' | '50';
  programme: 'conventional' | 'organic' | 'threshold';
}) {
  const { faults, send } = useSend(chooseSchools);
  const said = useSaid();
  const choose = (next: { crownLoss?: typeof crownLoss; programme?: typeof programme }) =>
    send({ crownLoss, programme, ...next }, () => said({ sentence: 'School chosen.' }));
  return (
    <div className="pt-2">
      <FormFaults faults={faults} />
      <Choices
        label="Crown loss beyond which borers are not treated"
        value={crownLoss}
        onChange={(x) => choose({ crownLoss: x })}
        options={[
          { value: 'knowledge', name: 'as the guide says' },
          { value: '30', name: '30 %' },
          { value: '50', name: '50 %' },
        ]}
      />
      <Choices
        label="Programme"
        value={programme}
        onChange={(x) => choose({ programme: x })}
        options={[
          { value: 'conventional', name: 'conventional, few visits' },
          { value: 'organic', name: 'organic-listed only' },
          { value: 'threshold', name: 'threshold only: scout, then act' },
        ]}
      />
    </div>
  );
}
