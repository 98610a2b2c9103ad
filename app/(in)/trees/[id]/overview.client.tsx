'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues, SelectField, TextArea, TextField } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { UndoPress } from '@/ui/controls/undo-press.client';
import { useNotify } from '@/ui/frame/undo.client';
import { shortDay } from '@/ui/words';
import { archiveTree, editTree, addReminder, cancelQuote, settleFollowUp, skipVisit } from './actions';

interface SettleProps {
  id: string;
  kind: string;
  what: string;
  onlyIf: string | null;
}

/** Settles a visit: a look is done, a treatment is done by its record or left out with a reason. */
export const Settle = (visit: SettleProps) =>
  visit.kind === 'treat-again' ? <LeaveOut {...visit} /> : <DoneAlone {...visit} />;

/** Why a treatment is left out this time: the usual words in one press, any other typed. */
function LeaveOut({ id, what, onlyIf }: SettleProps) {
  const router = useRouter();
  const said = useNotify();
  const [open, setOpen] = useState(false);
  const [because, setBecause] = useState('');
  const { busy, issues, send } = useSend(skipVisit);
  const leave = (why: string) =>
    send({ id, because: why }, ({ next }) => {
      said({
        sentence: next ? `Left out; it comes again on ${shortDay(next)}.` : 'Left out; nothing more comes of it.',
      });
      router.refresh();
    });
  if (!open)
    return (
      <button type="button" className="press" aria-label={`Leave out: ${what}`} onClick={() => setOpen(true)}>
        Leave out
      </button>
    );
  const usual = [
    onlyIf ? `Looked at, and not so: ${onlyIf}.` : 'Looked at: not needed.',
    'The client does not want it.',
    'The weather did not allow it.',
  ];
  return (
    <div role="group" aria-label={`Why: ${what}`} className="flex flex-col items-stretch gap-2">
      <FormIssues issues={issues} known={['because']} />
      {usual.map((why) => (
        <button key={why} type="button" className="press text-left" disabled={busy} onClick={() => leave(why)}>
          {why}
        </button>
      ))}
      <div className="flex items-end gap-2">
        <TextField
          label="Another reason"
          path="because"
          issues={issues}
          maxLength={500}
          value={because}
          onChange={setBecause}
        />
        <button type="button" className="press mb-4" disabled={busy} onClick={() => leave(because)}>
          Leave it out
        </button>
      </div>
      <button type="button" className="press press-plain" onClick={() => setOpen(false)}>
        It stays due
      </button>
    </div>
  );
}

/** A visit that was only a look, with Undo. */
function DoneAlone({ id, what }: SettleProps) {
  const { busy, issues, send } = useSend(settleFollowUp);
  const said = useNotify();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        aria-label={`Done: ${what}`}
        onClick={() =>
          send({ id, done: true }, () =>
            said({ sentence: `Done: ${what}.`, undo: () => settleFollowUp({ id, done: false }) }),
          )
        }
      >
        Done
      </button>
      <FormIssues issues={issues} />
    </>
  );
}

/** A day of one's own to come back on, for what no rule asks for. */
export function Remind({ treeId, today }: { treeId: string; today: string }) {
  const said = useNotify();
  const made = useMadeId(`remind:${treeId}`);
  const [form, setForm] = useDraft(`remind:${treeId}`, { on: '', what: '' });
  const { busy, issues, send } = useSend(addReminder, made);
  return (
    <details className="mt-2" open={issues.length > 0 || undefined}>
      <summary className="min-h-hand py-3 font-bold">Come back on a day of your own</summary>
      <FormIssues issues={issues} known={['on', 'what']} />
      <div className="grid gap-x-5 desk:grid-cols-[170px_1fr_auto] desk:items-end">
        <TextField
          label="On"
          path="on"
          issues={issues}
          type="date"
          min={today}
          value={form.on}
          onChange={(on) => setForm((f) => ({ ...f, on }))}
        />
        <TextField
          label="For"
          path="what"
          issues={issues}
          maxLength={200}
          placeholder="Look at the graft"
          value={form.what}
          onChange={(what) => setForm((f) => ({ ...f, what }))}
        />
        <button
          type="button"
          className="press mb-4"
          disabled={busy}
          onClick={() =>
            send({ id: made.id, treeId, ...form }, () => {
              setForm({ on: '', what: '' });
              said({ sentence: `It stands on Schedule: ${form.what}.` });
            })
          }
        >
          Set it
        </button>
      </div>
    </details>
  );
}

/** Takes a proposal back: its address opens nothing any more. */
export const Revoke = ({ id }: { id: string }) => (
  <UndoPress action={cancelQuote} input={{ id }} sentence="Taken back; its address opens nothing any more.">
    Take it back
  </UndoPress>
);

interface Editable {
  id: string;
  tag: string;
  hostId: string;
  species: string;
  note: string;
  walkOrder: number;
  lat: number | null;
  lon: number | null;
  variety: string;
  eaten: boolean | null;
  version: number;
}

const formOf = (tree: Editable) => ({
  ...tree,
  walkOrder: String(tree.walkOrder),
  lat: tree.lat === null ? '' : String(tree.lat),
  lon: tree.lon === null ? '' : String(tree.lon),
});

export function EditTree({
  tree,
  hosts,
}: {
  tree: Editable;
  hosts: { value: string; name: string; unlisted: boolean }[];
}) {
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState(() => formOf(tree));
  const router = useRouter();
  // Told once that it has been changed meanwhile, whoever sends again means to go over it.
  const [seenNewer, setSeenNewer] = useState(false);
  const { busy, issues, send } = useSend(editTree, {
    stale: () => {
      setSeenNewer(true);
      router.refresh();
    },
  });
  const archive = useSend(archiveTree);
  const said = useNotify();
  const set = (k: keyof typeof form) => (v: string) => setForm((f) => ({ ...f, [k]: v }));
  if (!open)
    return (
      <p className="mt-8 flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="press"
          onClick={() => {
            // What stands now, not what stood when the page came.
            setForm(formOf(tree));
            setSeenNewer(false);
            setOpen(true);
          }}
        >
          Change this tree
        </button>
        {tree.note && <span>{tree.note}</span>}
      </p>
    );
  return (
    <form
      className="mt-8 max-w-xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ ...form, basedOn: seenNewer ? tree.version : form.version }, () => {
          setOpen(false);
          said({ sentence: 'Tree changed.' });
        });
      }}
    >
      <h2 className="mb-3">Change this tree</h2>
      <FormIssues issues={issues} known={['tag', 'hostId', 'species', 'note', 'walkOrder', 'lat', 'lon', 'variety']} />
      <div className="grid grid-cols-2 gap-x-4">
        <TextField label="Tag" path="tag" issues={issues} value={form.tag} onChange={set('tag')} maxLength={24} />
        <TextField
          label="Place in the walking order"
          path="walkOrder"
          issues={issues}
          value={form.walkOrder}
          onChange={set('walkOrder')}
          inputMode="numeric"
        />
      </div>
      <SelectField
        label="Host"
        path="hostId"
        issues={issues}
        hint="A new host has to be confirmed again."
        value={form.hostId}
        onChange={set('hostId')}
        options={hosts}
      />
      {(hosts.find((h) => h.value === form.hostId)?.unlisted || form.species) && (
        <TextField
          label="Species, as you call it"
          path="species"
          issues={issues}
          value={form.species}
          onChange={set('species')}
          maxLength={120}
        />
      )}
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label="Latitude"
          path="lat"
          issues={issues}
          value={form.lat}
          onChange={set('lat')}
          inputMode="decimal"
        />
        <TextField
          label="Longitude"
          path="lon"
          issues={issues}
          value={form.lon}
          onChange={set('lon')}
          inputMode="decimal"
        />
      </div>
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label="Variety"
          path="variety"
          issues={issues}
          hint="As the place names it for its picking."
          value={form.variety}
          onChange={set('variety')}
          maxLength={80}
        />
        <SelectField
          label="Is its crop eaten?"
          path="eaten"
          issues={issues}
          value={form.eaten === null ? '' : form.eaten ? 'yes' : 'no'}
          onChange={(x) => setForm((f) => ({ ...f, eaten: x === '' ? null : x === 'yes' }))}
          options={[
            { value: '', name: 'as usual for its kind' },
            { value: 'yes', name: 'yes, or tapped, or picked for tea' },
            { value: 'no', name: 'no, only looked at' },
          ]}
        />
      </div>
      <TextArea label="Note" path="note" issues={issues} value={form.note} onChange={set('note')} />
      <div className="flex flex-wrap gap-3">
        <button className="press press-main" disabled={busy}>
          Save
        </button>
        <button type="button" className="press" onClick={() => setOpen(false)}>
          Leave as it was
        </button>
        <button
          type="button"
          className="press press-plain ml-auto"
          disabled={archive.busy}
          onClick={() =>
            archive.send({ id: tree.id, archived: true }, () => {
              said({
                sentence: `Tree ${tree.tag} is archived.`,
                undo: () => archiveTree({ id: tree.id, archived: false }),
              });
              router.push('/trees');
            })
          }
        >
          Archive (felled or gone)
        </button>
      </div>
      <FormIssues issues={archive.issues} />
    </form>
  );
}
