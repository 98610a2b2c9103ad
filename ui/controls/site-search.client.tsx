'use client';

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useEffect, useState } from 'react';
import type { Site } from './site-choice.client';

/** A site found as one types its name, its address or its client's name: the list is longer than a page can hold. */
export function SiteSearch({
  name,
  site,
  label,
  onChange,
}: {
  name?: string;
  site: Site | null;
  label: string;
  onChange: (site: Site | null) => void;
}) {
  const [find, setFind] = useState('');
  const [found, setFound] = useState<readonly Site[]>([]);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const stop = new AbortController();
    const later = setTimeout(() => {
      fetch(`/api/sites?find=${encodeURIComponent(find)}`, { signal: stop.signal })
        .then((r) => (r.ok ? (r.json() as Promise<Site[]>) : Promise.reject(new Error(String(r.status)))))
        .then((sites) => {
          setFound(sites);
          setFailed(false);
        })
        .catch((error: Error) => error.name !== 'AbortError' && setFailed(true));
    }, 150);
    return () => {
      clearTimeout(later);
      stop.abort();
    };
  }, [find]);
  return (
    <Combobox<Site | null> value={site} by="id" onChange={onChange} onClose={() => setFind('')} immediate>
      {name && <input type="hidden" name={name} value={site?.id ?? ''} />}
      <ComboboxInput
        aria-label={label}
        className="box"
        autoComplete="off"
        placeholder="Type a name, a street or a client"
        displayValue={(s: Site | null) => s?.name ?? ''}
        onChange={(e) => setFind(e.target.value.slice(0, 80))}
      />
      <ComboboxOptions className="z-30 max-h-80 overflow-auto border border-bark bg-sheet" anchor="bottom start">
        {found.map((s) => (
          <ComboboxOption key={s.id} value={s} className="min-h-12 cursor-pointer px-3 py-2 data-focus:bg-cambium">
            {s.name}
          </ComboboxOption>
        ))}
        {found.length === 0 && (
          <p className="px-3 py-2">{failed ? 'Sites cannot be searched now. Try again.' : 'No site of that name.'}</p>
        )}
      </ComboboxOptions>
    </Combobox>
  );
}
