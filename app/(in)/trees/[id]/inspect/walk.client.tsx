'use client';

import { useEffect, useRef, useState } from 'react';
import { PARTS_OF_TREE, type PartOfTree } from '@/core/diagnose/words';
import { SignFigure } from '@/ui/figures/signs';
import { SPOKEN } from './form';
import { type Props, gradeOf, grading, nothingElse, Last, Particulars } from './signs.client';

/** One sign at a time, for a thumb: an answer goes on to the next, and a whole place can be done with one touch. */
export function SignWalk({ signs, form, update }: Props) {
  const places = PARTS_OF_TREE.filter((p) => signs.some((s) => s.place === p));
  const [place, setPlace] = useState<PartOfTree>(places[0]!);
  const [skipped, setSkipped] = useState<string[]>([]);
  const here = signs.filter((s) => s.place === place && !s.dig);
  const dug = signs.filter((s) => s.place === place && s.dig);
  const open = [...here, ...dug].filter((s) => gradeOf(form, s.id) === '-' && !skipped.includes(s.id));
  const sign = open[0];
  const at = places.indexOf(place);
  const next = places[at + 1];
  const strip = useRef<HTMLElement>(null);
  // The strip is longer than the screen: the place in hand comes to its middle.
  useEffect(() => {
    const tab = strip.current?.querySelector<HTMLElement>('[aria-current=step]');
    if (strip.current && tab)
      strip.current.scrollLeft = tab.offsetLeft - strip.current.clientWidth / 2 + tab.offsetWidth / 2;
  }, [place]);
  const graded = [...here, ...dug].filter((s) => gradeOf(form, s.id) !== '-');
  const lastSeen = [...graded].reverse().find((s) => gradeOf(form, s.id) !== '0');
  return (
    <section aria-label="Walk" className="hidden phone:block">
      <nav
        ref={strip}
        aria-label="Walk from the ground up"
        className="relative -mx-4 flex overflow-x-auto border-y border-line"
      >
        {places.map((p) => (
          <button
            key={p}
            type="button"
            aria-current={p === place ? 'step' : undefined}
            onClick={() => setPlace(p)}
            className={`min-h-hand px-3 text-[0.9375rem] whitespace-nowrap capitalize ${p === place ? 'bg-ink font-bold text-sheet' : ''}`}
          >
            {p}{' '}
            <span className="figures">
              {signs.filter((s) => s.place === p && gradeOf(form, s.id) !== '-').length || ''}
            </span>
          </button>
        ))}
      </nav>
      <div className="min-h-[216px] pt-4">
        {sign ? (
          <>
            <div className="flex items-start justify-between gap-3">
              <p className="text-[1.375rem] leading-tight font-bold">{sign.words}</p>
              {sign.figure && <SignFigure id={sign.figure} size={64} caption={false} />}
            </div>
            <p className="mt-1 flex flex-wrap gap-x-4 text-small text-ink-2">
              <span>Everywhere is: {sign.worst}</span>
              {sign.dig && <b>only after digging</b>}
              <Last sign={sign} now="-" />
            </p>
            <div className="mt-3 grid grid-cols-5" role="group" aria-label={`How much: ${sign.words}`}>
              {(['0', '1', '2', '3', '4'] as const).map((g) => (
                <button
                  key={g}
                  type="button"
                  aria-label={`${g === '0' ? 'no' : g}: ${SPOKEN[g]}`}
                  onClick={() => update(grading(sign.id, g))}
                  className="figures -mr-px min-h-16 border border-ink text-[1.375rem] font-bold"
                >
                  {g === '0' ? 'no' : g}
                </button>
              ))}
            </div>
          </>
        ) : (
          <p className="py-4 text-lead font-bold first-letter:uppercase">{place}: all looked at.</p>
        )}
        <div className="mt-3 flex gap-2">
          {sign && (
            <button type="button" className="press flex-1" onClick={() => setSkipped((s) => [...s, sign.id])}>
              Not looked
            </button>
          )}
          {(sign || next) && (
            <button
              type="button"
              className="press flex-[1.6]"
              onClick={() => {
                update(nothingElse(signs, place));
                if (next) setPlace(next);
              }}
            >
              {sign ? 'Nothing else here' : `On to: ${next}`}
              {next ? ' →' : ''}
            </button>
          )}
        </div>
      </div>
      {lastSeen && <Particulars sign={lastSeen} form={form} update={update} />}
      {graded.some((s) => gradeOf(form, s.id) !== '0') && (
        <ul className="mt-3">
          {graded
            .filter((s) => gradeOf(form, s.id) !== '0')
            .map((s) => (
              <li key={s.id} className="row flex items-center justify-between gap-3 py-1">
                <span>
                  <b className="figures">{gradeOf(form, s.id)}</b> {s.words}
                  {form.more[s.id]?.perhaps ? ', perhaps' : ''}
                  {form.more[s.id]?.lastSeason ? ', last season' : ''} <Last sign={s} now={gradeOf(form, s.id)} />
                </span>
                <button
                  type="button"
                  className="press press-plain min-h-hand"
                  aria-label={`Take back: ${s.words}`}
                  onClick={() => update(grading(s.id, '-'))}
                >
                  undo
                </button>
              </li>
            ))}
        </ul>
      )}
    </section>
  );
}
