'use client';

import type { Issue } from '@/lib/result';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { v7 } from 'uuid';
import { RINSE_ENDS, type RinseEnd } from '@/core/crew-day/home';
import { readNumber } from '@/lib/units/numbers';
import { Choices, FormIssues, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { finishDay } from '../../../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { RINSE_WORDS } from '../../words';
import type { ToTell } from '../../told';

/** What must have an end first, then hours, tools, stock and clients: one press closes the day. */
export function CloseForm({
  crewDayId,
  ends,
  tell,
  bits,
  mixed,
}: {
  crewDayId: string;
  ends: { key: string; href: string; sentence: string }[];
  tell: ToTell[];
  /** Bits were out. */
  bits: boolean;
  /** Something was mixed: what held it was rinsed. */
  mixed: boolean;
}) {
  const router = useRouter();
  const said = useNotify();
  const { id } = useMadeId(`close:${crewDayId}`);
  const [form, setForm, forget] = useDraft(`close:${crewDayId}`, {
    rest: '30',
    bits: '',
    toolsClean: false,
    stockCounted: false,
    rinse: null as RinseEnd | null,
    note: '',
    quiet: [] as string[],
    ids: Object.fromEntries(tell.map((t) => [t.siteId, v7()])) as Record<string, string>,
    bodies: {} as Record<string, string>,
  });
  const { busy, issues, setIssues, send } = useSend(finishDay);
  const set = <K extends keyof typeof form>(k: K, value: (typeof form)[K]) => setForm((f) => ({ ...f, [k]: value }));
  if (ends.length)
    return (
      <section className="mt-7" aria-label="Still open">
        <h2>Still open</h2>
        <ul className="mt-2">
          {ends.map((e) => (
            <li
              key={e.key}
              className="row flex min-h-16 flex-wrap items-center justify-between gap-3 border-l-8 border-l-madder py-2 pl-3"
            >
              <span className="font-semibold">{e.sentence}</span>
              <Link className="press min-h-14 phone:w-full" href={e.href}>
                There
              </Link>
            </li>
          ))}
        </ul>
      </section>
    );
  const submit = () => {
    const rest = readNumber(form.rest.trim() || '0', { name: 'The rests', min: 0, max: 600, unit: 'min' });
    const counted = form.bits.trim() ? readNumber(form.bits, { name: 'The bits', min: 0, max: 500 }) : null;
    const wrong: Issue[] = [
      ...(rest.ok ? [] : [{ path: 'home.restMinutes', message: rest.sentence }]),
      ...(counted && !counted.ok ? [{ path: 'home.bits', message: counted.sentence }] : []),
      ...(bits && !counted
        ? [{ path: 'home.bits', message: 'Count the bits: one left in a trunk is looked for.' }]
        : []),
      ...(mixed && !form.rinse ? [{ path: 'home.rinse', message: 'Say where the rinse water went.' }] : []),
    ];
    if (wrong.length || !rest.ok) return setIssues(wrong);
    send(
      {
        id,
        crewDayId,
        home: {
          homeAt: phoneNow().toISOString(),
          restMinutes: Math.round(rest.value),
          toolsClean: form.toolsClean,
          bits: counted?.ok ? Math.round(counted.value) : null,
          stockCounted: form.stockCounted,
          rinse: mixed ? form.rinse : null,
          note: form.note,
        },
        tell: tell
          .filter((t) => !form.quiet.includes(t.siteId))
          .map((t) => ({
            id: form.ids[t.siteId] ?? v7(),
            siteId: t.siteId,
            subject: t.subject,
            body: form.bodies[t.siteId] ?? t.body,
          })),
      },
      ({ told }, kept) => {
        forget();
        said({
          sentence: told
            ? `The day is closed, and ${told === 1 ? 'one client is' : `${told} clients are`} told.`
            : 'The day is closed.',
        });
        if (!kept) router.refresh();
        window.scrollTo({ top: 0 });
      },
    );
  };
  return (
    <section className="mt-7" aria-label="Close the day">
      <h2>Home now</h2>
      <Checkbox checked={form.toolsClean} onChange={(x) => set('toolsClean', x)}>
        Bits, blades and boots are disinfected
      </Checkbox>
      <Checkbox checked={form.stockCounted} onChange={(x) => set('stockCounted', x)}>
        Opened packs are counted back onto the shelf
      </Checkbox>
      {mixed && (
        <div className="mt-3">
          <Choices
            label="The rinse water, which counts as mix"
            options={RINSE_ENDS.map((value) => ({ value, name: RINSE_WORDS[value] }))}
            issues={issues}
            path="home.rinse"
            value={form.rinse}
            onChange={(x) => set('rinse', x)}
          />
        </div>
      )}
      <div className="mt-3 grid gap-x-8 desk:grid-cols-2">
        <TextField
          label="Rests, minutes"
          path="home.restMinutes"
          issues={issues}
          inputMode="numeric"
          maxLength={4}
          value={form.rest}
          onChange={(x) => set('rest', x)}
        />
        {bits && (
          <TextField
            label="Bits that came back"
            path="home.bits"
            issues={issues}
            inputMode="numeric"
            maxLength={4}
            value={form.bits}
            onChange={(x) => set('bits', x)}
          />
        )}
      </div>
      <TextArea
        label="Note"
        path="home.note"
        issues={issues}
        rows={2}
        value={form.note}
        onChange={(x) => set('note', x)}
      />
      {tell.length > 0 && (
        <fieldset className="mt-4">
          <legend className="font-semibold">Told to the clients</legend>
          {tell.map((t) => (
            <div key={t.siteId}>
              <Checkbox
                checked={!form.quiet.includes(t.siteId)}
                onChange={(on) =>
                  set('quiet', on ? form.quiet.filter((p) => p !== t.siteId) : [...form.quiet, t.siteId])
                }
              >
                {t.siteName}
                {t.to && `: ${t.to}`}
              </Checkbox>
              {!form.quiet.includes(t.siteId) && (
                <TextArea
                  label={`Message for ${t.siteName}`}
                  path={`tell.${t.siteId}`}
                  issues={issues}
                  rows={Math.min(8, t.body.split('\n').length + 1)}
                  value={form.bodies[t.siteId] ?? t.body}
                  onChange={(x) => set('bodies', { ...form.bodies, [t.siteId]: x })}
                />
              )}
            </div>
          ))}
        </fieldset>
      )}
      <FormIssues issues={issues} known={['home.restMinutes', 'home.bits', 'home.rinse', 'home.note']} />
      <button
        type="button"
        data-confirm
        className="press press-main mt-3 min-h-14 phone:w-full"
        disabled={busy}
        onClick={submit}
      >
        {busy ? 'Closing …' : 'Close the day'}
      </button>
    </section>
  );
}
