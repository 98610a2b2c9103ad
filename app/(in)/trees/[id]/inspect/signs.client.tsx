'use client';

import { useState } from 'react';
import { useHydrated } from '@/ui/controls/settled.client';
import { Input } from '@/ui/controls/input.client';
import { sampleSize } from '@/core/measure/efficacy';
import { PARTS_OF_TREE, SIGN_OF_HEALTH, type PartOfTree } from '@/core/diagnose/words';
import { SignFigure } from '@/ui/figures/signs';
import { BEARINGS, GRADES, SPOKEN, type BenchSign, type ExamineForm, type Grade, type Update } from './form';

/** Leaves or shoots that settle a usual count to a quarter: mean 4.2, clumping 1.3. */
const SAMPLE = String(Math.ceil(sampleSize(4.2, 1.3, 0.25)));

export interface Props {
  signs: BenchSign[];
  form: ExamineForm;
  update: Update;
}

export const gradeOf = (form: ExamineForm, id: string): Grade => form.grades[id] ?? '-';

/** Grades one sign, and what is said beside it goes when it is no longer seen. */
export const grading = (id: string, g: Grade) => (f: ExamineForm) => ({ ...f, grades: { ...f.grades, [id]: g } });

/** Everything at a place that nobody has graded is looked for and absent. */
export const nothingElse = (signs: BenchSign[], place: PartOfTree) => (f: ExamineForm) => ({
  ...f,
  grades: {
    ...Object.fromEntries(
      signs
        .filter((s) => s.place === place && !s.dig && !f.grades[s.id] && s.id !== SIGN_OF_HEALTH)
        .map((s) => [s.id, '0' as const]),
    ),
    ...f.grades,
  },
});

/** Puts the focus on the answers of a sign. */
const focusSign = (row: HTMLElement | null | undefined) =>
  (row?.querySelector<HTMLInputElement>('input:checked') ?? row?.querySelector<HTMLInputElement>('input'))?.focus();

/** How a sign stood last time, and whether that has changed. */
export function Last({ sign, now }: { sign: BenchSign; now: Grade }) {
  if (sign.last === undefined) return null;
  const changed = now !== '-' && now !== sign.last;
  const worse = Number(now) > Number(sign.last);
  return (
    <span className={`figures text-small whitespace-nowrap ${changed ? 'font-bold' : 'text-ink-2'}`}>
      last {SPOKEN[sign.last]}
      {changed && (worse ? ' ▲ worse' : ' ▼ better')}
    </span>
  );
}

/** Where it stands and how many, asked only of signs that are there. */
export function Particulars({ sign, form, update }: { sign: BenchSign } & Omit<Props, 'signs'>) {
  const more = form.more[sign.id] ?? {};
  const set = (m: typeof more) =>
    update((f) => ({ ...f, more: { ...f.more, [sign.id]: { ...f.more[sign.id], ...m } } }));
  const toggle = (on: boolean, name: string, key: string, change: Parameters<typeof set>[0]) => (
    <button
      type="button"
      aria-pressed={on}
      data-more={key}
      onClick={() => set(change)}
      className={`-mr-px min-h-dense border border-ink-2 px-3 text-small ${on ? 'bg-ink font-bold text-sheet' : ''}`}
    >
      {name}
    </button>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 pb-1">
      <div role="group" aria-label={`How sure, and when: ${sign.words}`} className="flex">
        {toggle(more.perhaps === true, 'perhaps', 'p', { perhaps: !more.perhaps })}
        {toggle(more.lastSeason === true, 'last season', 'l', { lastSeason: !more.lastSeason })}
      </div>
      {sign.sector && (
        <div role="radiogroup" aria-label={`Side of ${sign.words}`} className="flex flex-wrap">
          {BEARINGS.map((b, i) => (
            <button
              key={b}
              type="button"
              role="radio"
              aria-checked={more.bearing === i * 45}
              onClick={() => set({ bearing: i * 45 })}
              className={`-mr-px min-h-dense min-w-dense border border-ink-2 text-small ${more.bearing === i * 45 ? 'bg-ink font-bold text-sheet' : ''}`}
            >
              {b}
            </button>
          ))}
        </div>
      )}
      {sign.count && (
        <p className="flex items-center gap-2 text-small">
          <Input
            aria-label={`${sign.words}: how many had it`}
            inputMode="numeric"
            maxLength={4}
            className="box figures w-20 min-h-dense"
            value={more.had ?? ''}
            onChange={(e) => set({ had: e.target.value, of: more.of ?? SAMPLE })}
          />
          of
          <Input
            aria-label={`${sign.words}: how many were looked at`}
            inputMode="numeric"
            maxLength={4}
            className="box figures w-20 min-h-dense"
            value={more.of ?? SAMPLE}
            onChange={(e) => set({ of: e.target.value })}
          />
          {sign.count}; {SAMPLE} of them give a mean you can trust to a quarter
        </p>
      )}
    </div>
  );
}

/** Places that the page comes with: the list shows little more at first. */
const FIRST = 1;

/** All places at once, for the desk: tabs lead to them, keys grade the sign in focus and go on to the next. */
export function SignList({ signs, form, update }: Props) {
  const places = PARTS_OF_TREE.filter((p) => signs.some((s) => s.place === p));
  const [open, setOpen] = useState<string | null>(null);
  // The page comes with what can be seen of it; the rest is there before a hand can reach it.
  const all = useHydrated();
  const go = (place: string) => document.getElementById(`place-${place}`)?.scrollIntoView({ block: 'start' });
  return (
    <div className="phone:hidden">
      <button
        type="button"
        data-key="s"
        className="sr-only focus:not-sr-only focus:font-bold focus:underline"
        onClick={() => focusSign(document.querySelector<HTMLElement>('fieldset[data-sign]'))}
      >
        To the signs
      </button>
      <nav aria-label="Places on the tree" className="flex flex-wrap border-b-2 border-bark">
        {places.map((p) => {
          const of = signs.filter((s) => s.place === p);
          const looked = of.filter((s) => gradeOf(form, s.id) !== '-').length;
          return (
            <button
              key={p}
              type="button"
              onClick={() => go(p)}
              className={`min-h-dense px-2 text-small capitalize ${looked === of.length ? 'font-bold' : ''} hover:underline`}
            >
              {p} <span className="figures font-bold text-cambium-deep">{looked || ''}</span>
            </button>
          );
        })}
      </nav>
      <div
        className="max-h-[max(320px,calc(100dvh-400px))] overflow-y-auto border-b border-line pr-1"
        tabIndex={0}
        role="region"
        aria-label="Signs, from the ground up"
      >
        {(all ? places : places.slice(0, FIRST)).map((place) => (
          <section key={place} id={`place-${place}`} aria-label={place} className="pt-3">
            <div className="flex items-center justify-between gap-3">
              <h2 className="text-body capitalize">{place}</h2>
              <button
                type="button"
                className="press press-plain text-small"
                onClick={() => update(nothingElse(signs, place))}
              >
                Nothing else here
              </button>
            </div>
            {signs
              .filter((s) => s.place === place)
              .map((s) => (
                <SignRow
                  key={s.id}
                  sign={s}
                  form={form}
                  update={update}
                  open={open === s.id}
                  onOpen={() => setOpen(open === s.id ? null : s.id)}
                  onNothingElse={() => update(nothingElse(signs, place))}
                />
              ))}
          </section>
        ))}
      </div>
    </div>
  );
}

/** One sign with its six answers; the keys 0 to 5 and - grade the one in focus. */
function SignRow({
  sign,
  form,
  update,
  open,
  onOpen,
  onNothingElse,
}: { sign: BenchSign; open: boolean; onOpen: () => void; onNothingElse: () => void } & Omit<Props, 'signs'>) {
  const value = gradeOf(form, sign.id);
  const seen = value !== '-' && value !== '0';
  return (
    <fieldset
      data-sign={sign.id}
      data-place={sign.place}
      className={`row py-1 ${seen ? 'bg-paper' : ''}`}
      onKeyDown={(e) => {
        if (e.target instanceof HTMLInputElement && e.target.type !== 'radio') return;
        const g = e.key === '5' ? '4' : e.key;
        const here = e.currentTarget;
        const more = here.querySelector<HTMLButtonElement>(`[data-more="${e.key}"]`);
        if (more) more.click();
        else if (e.key === 'x') {
          onNothingElse();
          const rows = [...document.querySelectorAll<HTMLElement>('fieldset[data-sign]')];
          focusSign(rows.slice(rows.indexOf(here)).find((r) => r.dataset.place !== sign.place));
        } else if ((GRADES as string[]).includes(g)) {
          update(grading(sign.id, g as Grade));
          // A practised hand goes down the list without another key.
          const rows = [...document.querySelectorAll<HTMLElement>('fieldset[data-sign]')];
          focusSign(rows[rows.indexOf(here) + 1]);
        } else return;
        e.preventDefault();
      }}
    >
      <legend className="sr-only">{sign.words}</legend>
      <div className="flex flex-wrap items-center justify-between gap-x-4 px-1">
        <p className="flex flex-1 basis-64 items-center gap-3 leading-snug">
          <span className={seen ? 'font-bold' : ''} aria-hidden>
            {sign.words}
          </span>
          {sign.figure && (
            <button
              type="button"
              onClick={onOpen}
              aria-expanded={open}
              aria-label={`Drawing of: ${sign.words}`}
              className="flex-none border border-line p-0.5"
            >
              <SignFigure id={sign.figure} size={30} caption={false} />
            </button>
          )}
          <Last sign={sign} now={value} />
        </p>
        <div className="flex">
          {GRADES.map((g) => (
            <label key={g} title={SPOKEN[g]} className="grade">
              <Input
                type="radio"
                name={sign.id}
                aria-label={SPOKEN[g]}
                checked={value === g}
                onChange={() => update(grading(sign.id, g))}
              />
              {g === '-' ? '–' : g === '0' ? 'no' : g}
            </label>
          ))}
        </div>
      </div>
      {seen && (
        <div className="px-1">
          <p className="text-small text-ink-2">Everywhere is: {sign.worst}</p>
          <Particulars sign={sign} form={form} update={update} />
        </div>
      )}
      {open && sign.figure && (
        <div className="flex flex-wrap gap-5 px-1 py-2">
          <SignFigure id={sign.figure} size={120} />
        </div>
      )}
    </fieldset>
  );
}
