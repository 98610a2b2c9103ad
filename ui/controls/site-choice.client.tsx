'use client';

import { useState } from 'react';
import { Select } from './input.client';
import { part } from './part.client';

/** A site as it is chosen. */
export interface Site {
  id: string;
  name: string;
}
/** Sites to choose from: the first by name and the one that is chosen; `more` where there are others to search for. */
export interface SiteList {
  sites: readonly Site[];
  more: boolean;
}

const Search = part(() => import('./site-search.client').then((m) => m.SiteSearch));

/** The choice of a site: a list while it is short, a search where it is not, so that no site is out of reach. */
export function SiteChoice({
  list: { sites, more },
  name,
  chosen,
  label = 'Place',
  empty,
  required = false,
  onChange,
}: {
  list: SiteList;
  /** Name of the field in a form that is sent as it stands. */
  name?: string;
  chosen: string;
  label?: string;
  /** What the list says for no site; left out where there is always one. */
  empty?: string;
  required?: boolean;
  onChange?: (id: string) => void;
}) {
  const [site, setSite] = useState<Site | null>(sites.find((s) => s.id === chosen) ?? null);
  if (more)
    return (
      <div className="block min-w-60 flex-1">
        <span className="mb-1 block font-semibold">{label}</span>
        <Search
          {...(name ? { name } : {})}
          label={label}
          site={site}
          onChange={(s) => {
            setSite(s);
            onChange?.(s?.id ?? '');
          }}
        />
      </div>
    );
  return (
    <label className="block min-w-60 flex-1">
      <span className="mb-1 block font-semibold">{label}</span>
      <Select
        name={name}
        aria-label={label}
        className="box"
        required={required}
        {...(onChange ? { value: chosen, onChange: (e) => onChange(e.target.value) } : { defaultValue: chosen })}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {sites.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </Select>
    </label>
  );
}
