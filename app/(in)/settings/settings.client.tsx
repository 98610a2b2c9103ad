'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { UnitSystem } from '@/lib/units/units';
import { THEME_COOKIE, type Theme } from '@/core/people/looks';
import { leave } from '@/app/sign-in/actions';
import { letGo } from '@/ui/phone/offline-copy.client';
import { usePhone } from '@/ui/phone/phone.client';
import { MadeAddress } from '@/ui/controls/made-address.client';
import { Choices, FormIssues, SelectField, TextField } from '@/ui/controls/controls';
import { SendPress } from '@/ui/controls/send-press.client';
import { forgetDrafts, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { changePassword, endSession, saveCompany, addCalendarAddress, savePreferences } from './actions';

export function Preferences({ units, theme }: { units: UnitSystem; theme: Theme }) {
  const { issues, send } = useSend(savePreferences);
  const [now, setNow] = useState({ units, theme });
  const change = (next: typeof now) => {
    setNow(next);
    // The page itself changes at once; the server keeps it for the next one.
    document.documentElement.dataset.theme = next.theme;
    document.cookie = `${THEME_COOKIE}=${next.theme}; path=/; max-age=31536000; samesite=lax`;
    send(next);
  };
  return (
    <section className="mt-5">
      <Choices
        label="Units"
        value={now.units}
        onChange={(u) => change({ ...now, units: u })}
        options={[
          { value: 'metric', name: 'metric: cm, mL, L, g' },
          { value: 'us', name: 'US: in, fl oz, gal, oz' },
        ]}
      />
      <Choices
        label="Theme of this device"
        value={now.theme}
        onChange={(t) => change({ ...now, theme: t })}
        options={[
          { value: 'light', name: 'light' },
          { value: 'daylight', name: 'daylight, for sun and gloves' },
          { value: 'night', name: 'night' },
        ]}
      />
      <FormIssues issues={issues} />
    </section>
  );
}

export function CalendarAddress() {
  return (
    <section className="mt-6">
      <h2>Calendar</h2>
      <p className="mt-1 mb-3 max-w-xl text-[0.9375rem]">
        A secret address with everything that is due. Whoever has it can read the dates; a new one ends the old.
      </p>
      <MadeAddress label="Subscribe to" press="Make a calendar address" input={{}} action={addCalendarAddress} />
    </section>
  );
}

export function ChangePassword() {
  const [form, setForm] = useState({ was: '', next: '' });
  const { busy, issues, send } = useSend(changePassword);
  const router = useRouter();
  return (
    <form
      className="mt-8 max-w-xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(form, () => router.replace('/sign-in'));
      }}
    >
      <h2 className="mb-2">Password</h2>
      <FormIssues issues={issues} known={['was', 'next']} />
      <TextField
        label="The password you have now"
        path="was"
        issues={issues}
        type="password"
        autoComplete="current-password"
        maxLength={200}
        value={form.was}
        onChange={(was) => setForm((f) => ({ ...f, was }))}
      />
      <TextField
        label="A new one"
        path="next"
        issues={issues}
        hint="At least ten signs; four words that do not belong together serve well. You sign in again with it everywhere."
        type="password"
        autoComplete="new-password"
        maxLength={200}
        value={form.next}
        onChange={(next) => setForm((f) => ({ ...f, next }))}
      />
      <button className="press" disabled={busy}>
        Change the password
      </button>
    </form>
  );
}

export function CompanyForm({
  company,
  regions,
}: {
  company: { name: string; region: string; breastHeight: string; unit: 'cm' | 'in'; paper: 'A4' | 'Letter' };
  regions: { value: string; name: string }[];
}) {
  const [form, setForm] = useState(company);
  const { busy, issues, send } = useSend(saveCompany);
  const said = useNotify();
  return (
    <form
      className="mt-8 max-w-xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(form, () => said({ sentence: 'Company kept.' }));
      }}
    >
      <h2 className="mb-2">The company</h2>
      <FormIssues issues={issues} known={['name', 'region', 'breastHeight']} />
      <TextField
        label="Name"
        path="name"
        issues={issues}
        maxLength={120}
        value={form.name}
        onChange={(name) => setForm((f) => ({ ...f, name }))}
      />
      <SelectField
        label="Region whose rules hold"
        path="region"
        issues={issues}
        value={form.region}
        onChange={(region) => setForm((f) => ({ ...f, region }))}
        options={regions}
      />
      <TextField
        label={`Breast height, ${form.unit}`}
        path="breastHeight"
        issues={issues}
        hint="1.3 m in most of the world, 1.37 m in North America, 1.4 m in Australasia."
        inputMode="decimal"
        maxLength={20}
        value={form.breastHeight}
        onChange={(breastHeight) => setForm((f) => ({ ...f, breastHeight }))}
      />
      <Choices
        label="Paper of what is printed"
        value={form.paper}
        onChange={(paper) => setForm((f) => ({ ...f, paper }))}
        options={[
          { value: 'A4', name: 'A4' },
          { value: 'Letter', name: 'Letter' },
        ]}
      />
      <button className="press" disabled={busy}>
        Keep the company
      </button>
    </form>
  );
}

/** Where one is signed in, each with the press that signs it out. */
export const Sessions = ({ list }: { list: readonly { id: string; words: string; here: boolean }[] }) => (
  <section className="mt-8">
    <h2>Where you are signed in</h2>
    <ul>
      {list.map((s) => (
        <li key={s.id} className="row flex flex-wrap items-center justify-between gap-3 py-2">
          <span>
            {s.words}
            {s.here && <b>, this one</b>}
          </span>
          {!s.here && (
            <SendPress action={endSession} input={{ id: s.id }} said="Signed out there.">
              Sign out there
            </SendPress>
          )}
        </li>
      ))}
    </ul>
    <p className="text-small text-ink-2">A device that is not used for ten days is signed out by itself.</p>
  </section>
);

export function Leave() {
  const { waiting } = usePhone();
  const out = (everywhere: boolean) => {
    forgetDrafts();
    // Nothing that is held may be read by whoever takes up this phone next; what waits stays, sealed.
    void letGo().then(() => leave(everywhere));
  };
  return (
    <section className="mt-8 flex flex-wrap gap-3">
      {waiting.length > 0 && (
        <p className="basis-full border-l-4 border-sap pl-3 font-semibold text-sap">
          {waiting.length === 1 ? 'One thing waits' : `${waiting.length} things wait`} on this phone to be sent. Signed
          out, {waiting.length === 1 ? 'it stays' : 'they stay'} here sealed until you sign in on it again;{' '}
          <Link href="/phone">hand over in a file</Link> if that will not be.
        </p>
      )}
      <button type="button" className="press" onClick={() => out(false)}>
        Sign out
      </button>
      <button type="button" className="press" onClick={() => out(true)}>
        Sign out on every device
      </button>
    </section>
  );
}
