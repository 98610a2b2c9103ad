'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { hoursText, type HoursRule } from '@/core/schedule/hours';
import { AREA, LENGTH, type UnitSystem } from '@/lib/units/units';
import { FormIssues, SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { recordOthersOnSite, addTree, saveSite } from '../trees/actions';

interface Editable {
  id: string;
  clientId: string;
  name: string;
  address: string;
  timeZone: string;
  region: string | null;
  outline: { lat: number; lon: number }[] | null;
  areaM2: number | null;
  soilTexture: 'sandy' | 'loam' | 'clay';
  waterM: number | null;
  firstPicking: string | null;
  lastPicking: string | null;
  pickings: { variety: string; from: string; to: string }[];
  hours: HoursRule[];
  access: string;
  hazards: string;
  dogs: string;
  notes: string;
  /** Null where the person may not see it. */
  gateCode: string | null;
  version: number;
}
const short = (x: number) => String(Number(x.toPrecision(6)));

export function SiteForm({
  place,
  clients,
  regions,
  units,
}: {
  place: Editable | null;
  clients: { value: string; name: string }[];
  /** Regions to choose from; the first, without a key, is that of the company. */
  regions: { value: string; name: string }[];
  units: UnitSystem;
}) {
  const router = useRouter();
  const said = useNotify();
  const us = units === 'us';
  const [id] = useState(() => place?.id ?? v7());
  const [form, setForm, forget] = useDraft(`place:${place?.id ?? 'new'}`, {
    clientId: place?.clientId ?? '',
    name: place?.name ?? '',
    address: place?.address ?? '',
    timeZone: place?.timeZone ?? 'Europe/London',
    region: place?.region ?? '',
    outline: place?.outline?.map((c) => `${c.lat}, ${c.lon}`).join('\n') ?? '',
    area: place?.areaM2 ? short(us ? place.areaM2 / AREA['ft²'] : place.areaM2) : '',
    soilTexture: place?.soilTexture ?? ('loam' as 'sandy' | 'loam' | 'clay'),
    water: place?.waterM && place.waterM > 0 ? short(us ? (place.waterM * 100) / LENGTH.ft : place.waterM) : '',
    noWater: place?.waterM === -1,
    firstPicking: place?.firstPicking ?? '',
    lastPicking: place?.lastPicking ?? '',
    pickings: (place?.pickings ?? []).map((p) => `${p.variety}: ${p.from} to ${p.to}`).join('\n'),
    hours: hoursText(place?.hours ?? []),
    access: place?.access ?? '',
    hazards: place?.hazards ?? '',
    dogs: place?.dogs ?? '',
    notes: place?.notes ?? '',
    gateCode: place ? place.gateCode : '',
    basedOn: place?.version ?? null,
  });
  // Told once that it has been changed meanwhile, whoever sends again means to go over it.
  const [seenNewer, setSeenNewer] = useState(false);
  const { busy, issues, send } = useSend(saveSite, {
    stale: () => {
      setSeenNewer(true);
      router.refresh();
    },
  });
  const set = (k: keyof typeof form) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id,
            ...form,
            basedOn: seenNewer ? (place?.version ?? null) : form.basedOn,
            areaUnit: us ? 'ft²' : 'm²',
            distanceUnit: us ? 'ft' : 'm',
          },
          (kept) => {
            forget();
            said({ sentence: `${form.name} is kept.` });
            router.push(`/sites/${kept.id}`);
          },
        );
      }}
    >
      <FormIssues issues={issues} known={Object.keys(form)} />
      <SelectField
        label="Client"
        path="clientId"
        issues={issues}
        value={form.clientId}
        onChange={set('clientId')}
        options={[{ value: '', name: 'choose …' }, ...clients]}
      />
      <TextField
        label="Name of the place"
        path="name"
        issues={issues}
        maxLength={120}
        value={form.name}
        onChange={set('name')}
      />
      <TextField
        label="Address"
        path="address"
        issues={issues}
        maxLength={300}
        value={form.address}
        onChange={set('address')}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField
          label={`Area, ${us ? 'ft²' : 'm²'}`}
          path="area"
          issues={issues}
          hint="Yearly caps of labels count on it."
          inputMode="decimal"
          maxLength={20}
          value={form.area}
          onChange={set('area')}
        />
        <SelectField
          label="Rules in force here"
          path="region"
          issues={issues}
          value={form.region}
          onChange={set('region')}
          options={regions}
        />
        <SelectField
          label="Soil"
          path="soilTexture"
          issues={issues}
          value={form.soilTexture}
          onChange={set('soilTexture')}
          options={['sandy', 'loam', 'clay'].map((s) => ({ value: s as 'loam', name: s }))}
        />
        <TextField
          label={`Nearest well, open water or drain, ${us ? 'ft' : 'm'}`}
          path="water"
          issues={issues}
          hint="Paced on the spot."
          inputMode="decimal"
          maxLength={20}
          value={form.water}
          onChange={set('water')}
          disabled={form.noWater}
        />
        <TextField
          label="First picking (edible crops)"
          path="firstPicking"
          issues={issues}
          type="date"
          value={form.firstPicking}
          onChange={set('firstPicking')}
        />
        <TextField
          label="Last picking"
          path="lastPicking"
          issues={issues}
          hint="Sprays are held from the label’s days before the first to the last picking."
          type="date"
          value={form.lastPicking}
          onChange={set('lastPicking')}
        />
      </div>
      <TextArea
        label="Picking of single varieties, one a line: Bittersweet: 2026-09-20 to 2026-10-15"
        path="pickings"
        issues={issues}
        rows={2}
        value={form.pickings}
        onChange={set('pickings')}
      />
      <Checkbox checked={form.noWater} onChange={(noWater) => setForm((f) => ({ ...f, noWater }))}>
        Paced: no water within {us ? '330 ft' : '100 m'}
      </Checkbox>
      <div className="mt-4">
        <TextArea
          label="When one may be there, one rule a line: Mon–Fri 16:00–20:00"
          path="hours"
          issues={issues}
          hint="Left empty, at any hour. Days of their own go first: 2027-07-24 to 2027-09-03 Mon–Sun 08:00–18:00; Sun closed."
          rows={2}
          value={form.hours}
          onChange={set('hours')}
        />
        <TextArea label="Access" path="access" issues={issues} rows={2} value={form.access} onChange={set('access')} />
        {form.gateCode !== null && (
          <TextField
            label="Gate code (only for those who go there)"
            path="gateCode"
            issues={issues}
            maxLength={60}
            value={form.gateCode}
            onChange={set('gateCode')}
            autoComplete="off"
          />
        )}
        <TextArea
          label="Hazards"
          path="hazards"
          issues={issues}
          rows={2}
          value={form.hazards}
          onChange={set('hazards')}
        />
        <TextField label="Dogs" path="dogs" issues={issues} maxLength={300} value={form.dogs} onChange={set('dogs')} />
        <TextArea label="Notes" path="notes" issues={issues} value={form.notes} onChange={set('notes')} />
        <TextArea
          label="Outline: one corner a line, latitude, longitude"
          path="outline"
          issues={issues}
          value={form.outline}
          onChange={set('outline')}
        />
        <TextField
          label="Time zone"
          path="timeZone"
          issues={issues}
          maxLength={60}
          value={form.timeZone}
          onChange={set('timeZone')}
        />
      </div>
      <button data-confirm className="press press-main" disabled={busy}>
        Keep this place
      </button>
    </form>
  );
}

export function AddTreeForm({
  siteId,
  hosts,
  units,
}: {
  siteId: string;
  hosts: { value: string; name: string; unlisted: boolean }[];
  units: UnitSystem;
}) {
  const unit = units === 'us' ? 'in' : 'cm';
  const [form, setForm] = useState({ tag: '', hostId: '', species: '', girth: '' });
  const { busy, issues, send } = useSend(addTree);
  const said = useNotify();
  return (
    <form
      className="mt-8 max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), siteId, ...form, unit }, () => {
          said({ sentence: `Tag ${form.tag} hangs.` });
          setForm((f) => ({ ...f, tag: '', girth: '' }));
        });
      }}
    >
      <h2 className="mb-3">Hang a tag</h2>
      <FormIssues issues={issues} known={['tag', 'hostId', 'species', 'girth']} />
      <div className="grid gap-x-5 desk:grid-cols-[1fr_2fr_1fr]">
        <TextField
          label="Tag"
          path="tag"
          issues={issues}
          maxLength={24}
          value={form.tag}
          onChange={(tag) => setForm((f) => ({ ...f, tag }))}
        />
        <SelectField
          label="Host"
          path="hostId"
          issues={issues}
          value={form.hostId}
          onChange={(hostId) => setForm((f) => ({ ...f, hostId }))}
          options={[{ value: '', name: 'choose …' }, ...hosts]}
        />
        <TextField
          label={`Girth, ${unit}`}
          path="girth"
          issues={issues}
          inputMode="decimal"
          maxLength={20}
          value={form.girth}
          onChange={(girth) => setForm((f) => ({ ...f, girth }))}
        />
      </div>
      {hosts.find((h) => h.value === form.hostId)?.unlisted && (
        <TextField
          label="Species, as you call it"
          path="species"
          issues={issues}
          maxLength={120}
          value={form.species}
          onChange={(species) => setForm((f) => ({ ...f, species }))}
        />
      )}
      <button className="press" disabled={busy}>
        Hang it
      </button>
    </form>
  );
}

/** What the client or others put down here: it counts against the yearly caps. */
export function OthersForm({ siteId, today }: { siteId: string; today: string }) {
  const empty = { active: '', grams: '', onDay: today, who: '' };
  const [form, setForm] = useState(empty);
  const { busy, issues, send } = useSend(recordOthersOnSite);
  const said = useNotify();
  const set = (k: keyof typeof form) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="mt-3 grid items-end gap-x-5 desk:grid-cols-5"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), siteId, ...form }, () => {
          said({ sentence: `${form.active} counted.` });
          setForm(empty);
        });
      }}
    >
      <FormIssues issues={issues} known={['active', 'grams', 'onDay', 'who']} />
      <TextField
        label="Active"
        path="active"
        issues={issues}
        maxLength={80}
        value={form.active}
        onChange={set('active')}
      />
      <TextField
        label="Grams of it"
        path="grams"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.grams}
        onChange={set('grams')}
      />
      <TextField label="On" path="onDay" issues={issues} type="date" value={form.onDay} onChange={set('onDay')} />
      <TextField label="By" path="who" issues={issues} maxLength={120} value={form.who} onChange={set('who')} />
      <button className="press mb-4 justify-self-start" disabled={busy}>
        Count it
      </button>
    </form>
  );
}
