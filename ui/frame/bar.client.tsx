'use client';

import { CircleHelp, CloudOff, Menu, Search, Send, TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { Checkbox } from '../controls/controls';
import { part } from '../controls/part.client';
import { useSettled } from '../controls/settled.client';
import { usePhone, type Phone } from '../phone/phone.client';
import { clock, dayAndClock } from '../words';
import { helpFor, PLACES } from './places';
import { browserNow } from '@/ui/clock.client';

// The sheet, its dialog and the search come once the page has settled: no page needs them to be read, and help must open without signal.
const Sheet = part(() => import('./sheet.client').then((m) => m.Sheet));
const Find = part(() => import('./find.client').then((m) => m.Find));
const prepare = () => {
  Sheet.prepare();
  Find.prepare();
};

const KEYS: [string, string][] = [
  ['/', 'find a tag'],
  ['?', 'this help'],
  ['g then t e j s k g r c', 'go to Today, Trees, Jobs, Schedule, Stock, Guide, Records, Calculators'],
  ['Alt + 1, 2, 3 …', 'answer the next look while examining'],
  ['n, p', 'next, previous tree in walking order'],
  ['m, e', 'measure, examine'],
  ['r', 'record what was done'],
  ['s', 'to the signs, while examining'],
  ['0–5 and -', 'grade the sign in focus: 0 absent, 1–4 seen, - not looked; on to the next'],
  ['x', 'nothing else at this place; on to the next place'],
  ['← →, + −, ↑ ↓', 'move the ribbons of the year, closer and wider, one visit after the other in hand'],
  ['Ctrl + Enter', 'confirm'],
];

const typing = (e: KeyboardEvent) =>
  e.target instanceof HTMLElement &&
  (e.target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)) &&
  !(e.target instanceof HTMLInputElement && /radio|checkbox/.test(e.target.type));

/** Whether single letters lead somewhere: a choice of this device, since it is hands and voices that differ. */
const KEYS_OFF = 'elmhorn:keys-off';
function singleKeys(): boolean {
  try {
    return localStorage.getItem(KEYS_OFF) === null;
  } catch {
    return true;
  }
}
function keepSingleKeys(on: boolean): boolean {
  try {
    if (on) localStorage.removeItem(KEYS_OFF);
    else localStorage.setItem(KEYS_OFF, '1');
  } catch {}
  return on;
}

function SingleKeys() {
  const [on, setOn] = useState(singleKeys);
  return (
    <Checkbox checked={on} onChange={(wanted) => setOn(keepSingleKeys(wanted))}>
      Single keys lead somewhere on this device. Off for whoever speaks to it, or presses by mistake.
    </Checkbox>
  );
}

/** The bar at the top: the places, the search, the help, who is signed in; and the keys of the whole product. */
export function Bar({
  name,
  due,
  weather,
  madeAt,
  timeZone,
}: {
  name: string;
  due: number;
  /** The air at the station in words; empty where nothing measures it. */
  weather: string;
  /** When the server made this page: without signal it may be of yesterday. */
  madeAt: string;
  timeZone: string;
}) {
  const path = usePathname();
  const router = useRouter();
  const [open, setOpen] = useState<'menu' | 'help' | 'find' | null>(null);
  const going = useRef(0);
  const [pending, setPending] = usePending();
  const here = (p: string) =>
    p === '/' ? path === '/' : path.startsWith(p) || (p === '/trees' && path.startsWith('/sites'));

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
        const confirm = document.querySelector<HTMLButtonElement>('[data-confirm]:not(:disabled)');
        if (confirm) {
          e.preventDefault();
          confirm.click();
        }
        return;
      }
      if (e.ctrlKey || e.metaKey || e.altKey || typing(e) || document.querySelector('[role=dialog]')) return;
      if (!singleKeys()) return;
      if (browserNow().getTime() - going.current < 1200) {
        going.current = 0;
        const place = PLACES.find((p) => p.letter === e.key);
        if (place) {
          e.preventDefault();
          router.push(place.path);
        }
        return;
      }
      if (e.key === 'g') going.current = browserNow().getTime();
      else if (e.key === '/' || e.key === '?') {
        e.preventDefault();
        setOpen(e.key === '/' ? 'find' : 'help');
      } else if (/^[a-z]$/.test(e.key)) {
        const wanted = document.querySelector<HTMLElement>(`[data-key="${e.key}"]`);
        if (wanted) {
          e.preventDefault();
          wanted.click();
        }
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);

  useSettled(prepare);

  const place = PLACES.find((p) => here(p.path));
  return (
    <header className="no-print sticky top-0 z-20 flex h-[52px] items-stretch bg-bark text-on-bark phone:static">
      <Link href="/" className="flex w-[212px] items-center px-4.5 text-lead font-bold phone:w-auto phone:px-3">
        Elmhorn
      </Link>
      <nav aria-label="Places" className="flex items-stretch overflow-x-auto phone:hidden">
        {PLACES.map((p) => (
          <Link
            key={p.path}
            href={p.path}
            aria-current={here(p.path) ? 'page' : undefined}
            className={`flex items-center gap-2 px-3 whitespace-nowrap ${here(p.path) ? 'bg-sheet font-bold text-ink' : 'hover:underline'}`}
          >
            {p.name}
            {p.path === '/' && due > 0 && (
              <span className="figures rounded-edge bg-cambium px-1.5 text-small font-bold text-on-cambium">{due}</span>
            )}
          </Link>
        ))}
      </nav>
      <span className="hidden min-w-0 flex-1 basis-0 items-center truncate px-2 font-semibold phone:flex">
        {place?.name ?? ''}
      </span>
      <div className="ml-auto flex min-w-0 items-stretch pr-2 phone:pr-0">
        <Signal madeAt={madeAt} timeZone={timeZone} />
        <button
          type="button"
          onClick={() => setOpen('find')}
          className="flex min-w-hand flex-none items-center justify-center gap-2 px-3"
          aria-label="Find a tag"
        >
          <Search size={18} aria-hidden />
          <span className="hidden text-small whitespace-nowrap desk:inline">
            Find a tag <kbd className="ml-1 rounded-edge border border-on-bark px-1.5">/</kbd>
          </span>
        </button>
        <span className="hidden items-center px-2 text-small whitespace-nowrap min-[1360px]:flex">{weather}</span>
        <button
          type="button"
          onClick={() => setOpen('help')}
          className="flex min-w-hand flex-none items-center justify-center"
          aria-label="Help and keys"
        >
          <CircleHelp size={20} aria-hidden />
        </button>
        <Link
          href="/settings"
          className="flex items-center px-3 text-small underline underline-offset-3 phone:hidden"
          title={name}
        >
          {name.split(' ')[0]}
        </Link>
        <button
          type="button"
          onClick={() => setOpen('menu')}
          className="hidden min-w-hand flex-none items-center justify-center phone:flex"
          aria-label="All places"
        >
          <Menu size={22} aria-hidden />
        </button>
      </div>

      {pending && (
        <p
          role="status"
          className="fixed top-[52px] left-0 z-30 w-full border-b border-bark bg-cambium px-4 py-1 text-small font-bold text-on-cambium"
        >
          Fetching …
        </p>
      )}
      {open === 'find' && (
        <Sheet onClose={() => setOpen(null)} title="Find a tag">
          <Find
            onGo={() => {
              setOpen(null);
              setPending(true);
            }}
          />
        </Sheet>
      )}
      {open === 'help' && (
        <Sheet onClose={() => setOpen(null)} title={`Help: ${place?.name ?? 'this page'}`}>
          <div className="flex flex-col gap-2">
            {helpFor(path).map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
          <h3 className="mt-5 mb-1">Keys</h3>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-bold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <SingleKeys />
          <p className="mt-5 text-small text-ink-2">
            The label in hand and local rules come first. Restricted work belongs to licensed people.
          </p>
        </Sheet>
      )}
      {open === 'menu' && (
        <Sheet onClose={() => setOpen(null)} title="Places">
          <nav aria-label="All places" className="flex flex-col">
            {[
              ...PLACES,
              { path: '/settings/rules', name: 'Rules' },
              { path: '/settings/team', name: 'People' },
              { path: '/settings', name: `${name}: units, theme, sign out` },
            ].map((p) => (
              <Link
                key={p.path}
                href={p.path}
                onClick={() => setOpen(null)}
                className="row flex min-h-14 items-center text-lead font-semibold"
              >
                {p.name}
              </Link>
            ))}
          </nav>
        </Sheet>
      )}
    </header>
  );
}

/** An hour of today, or the day with it. */
const since = (at: string, timeZone: string) =>
  browserNow().getTime() - Date.parse(at) < 12 * 3_600_000 ? clock(at, timeZone) : dayAndClock(at, timeZone);

/** What there is to say of a phone; nothing while all is as it should be. */
function signalWords({ signal, waiting, syncConflicts, shut }: Phone, madeAt: string, timeZone: string): string[] {
  const [first] = waiting;
  const out: string[] = [];
  if (shut) out.push(shut === 'ended' ? 'Phone ended' : 'Signed out');
  else if (signal === false) out.push('No signal');
  if (first)
    out.push(`${waiting.length} ${waiting.length === 1 ? 'waits' : 'wait'} since ${since(first.at, timeZone)}`);
  else if (signal === false) out.push(`as of ${since(madeAt, timeZone)}`);
  else if (signal && syncConflicts > 0) out.push(`${syncConflicts} to look at`);
  return out;
}

/** What waits to be sent and since when, and how old the page is where there is no signal; nothing while all is as it should be. */
function Signal({ madeAt, timeZone }: { madeAt: string; timeZone: string }) {
  const phone = usePhone();
  const words = signalWords(phone, madeAt, timeZone);
  if (!words.length) return null;
  const Still = phone.waiting.length ? Send : TriangleAlert;
  const Icon = phone.signal === false ? CloudOff : Still;
  return (
    <Link
      href="/phone"
      className="flex min-w-hand shrink items-center gap-2 overflow-hidden bg-sheet px-2 text-small leading-tight font-bold text-ink"
      aria-label={`This phone: ${words.join('; ')}`}
    >
      <Icon size={18} aria-hidden className="flex-none phone:hidden" />
      <span className="flex min-w-0 flex-col whitespace-nowrap">
        {words.map((w) => (
          <span key={w} className="truncate">
            {w}
          </span>
        ))}
      </span>
    </Link>
  );
}

/** Whether a page is on its way: from the press of a link until its address stands. */
function usePending(): [boolean, (v: boolean) => void] {
  const path = usePathname();
  const query = useSearchParams().toString();
  const address = `${path}?${query}`;
  const [since, setSince] = useState<string | null>(null);
  useEffect(() => {
    const onClick = (e: MouseEvent) => {
      const link = e.target instanceof Element ? e.target.closest<HTMLAnchorElement>('a[href^="/"]') : null;
      if (
        !link ||
        e.defaultPrevented ||
        e.ctrlKey ||
        e.metaKey ||
        e.shiftKey ||
        link.download ||
        link.hasAttribute('download')
      )
        return;
      const to = new URL(link.href);
      if (`${to.pathname}?${to.searchParams}` !== address) setSince(address);
    };
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, [address]);
  return [since === address, (v) => setSince(v ? address : null)];
}
