'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues, SelectField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { Input } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import { groupBy } from '@/core/work/load-out';
import { addToDay } from '../day/actions';

export interface WaitingItem {
  id: string;
  tag: string;
  siteId: string;
  siteName: string;
  title: string;
  words: string;
  /** The round on which it stands. */
  on: string | null;
  left: string | null;
  chosen: boolean;
}
interface Choice {
  value: string;
  name: string;
}

/** What waits, ticked place by place, and the crew and day that it is put on. */
export function PutOnDay({
  waiting,
  crews,
  days,
  usual,
  may,
}: {
  waiting: WaitingItem[];
  crews: Choice[];
  days: Choice[];
  /** What is offered first. */
  usual: { day: string; crewId: string };
  may: boolean;
}) {
  const router = useRouter();
  const said = useNotify();
  const [chosen, setChosen] = useState(() => new Set(waiting.filter((w) => w.chosen).map((w) => w.id)));
  const [crewId, setCrew] = useState(usual.crewId);
  const [day, setDay] = useState(usual.day);
  const { busy, issues, setIssues, send } = useSend(addToDay);
  const set = (ids: string[], on: boolean) => {
    setIssues([]);
    setChosen((was) => {
      const next = new Set(was);
      for (const id of ids)
        if (on) next.add(id);
        else next.delete(id);
      return next;
    });
  };
  const put = (anyway: boolean) =>
    send({ day, crewId, itemIds: [...chosen], anyway }, ({ crewDayId }) => {
      said({
        sentence: `Put on ${crews.find((c) => c.value === crewId)!.name}, ${days.find((d) => d.value === day)!.name}.`,
      });
      router.push(`/jobs/day/${crewDayId}`);
    });
  const theirs = issues.length > 0 && issues.every((f) => f.path === 'anyway');
  if (!waiting.length) return <p className="mt-3">Nothing waits for a crew these days.</p>;
  return (
    <>
      {[...groupBy(waiting, (w) => w.siteId).values()].map((of) => {
        const all = of.every((w) => chosen.has(w.id));
        return (
          <fieldset key={of[0]!.siteId} className="mt-5">
            <legend className="w-full">
              <label className="flex min-h-14 cursor-pointer items-center gap-4 text-lead font-bold">
                <Input
                  type="checkbox"
                  className="size-7 flex-none accent-[var(--cambium-deep)]"
                  checked={all}
                  onChange={(e) =>
                    set(
                      of.map((w) => w.id),
                      e.target.checked,
                    )
                  }
                />
                {of[0]!.siteName}
              </label>
            </legend>
            {of.map((w) => (
              <label key={w.id} className="row flex min-h-14 cursor-pointer items-center gap-4 py-1.5">
                <Input
                  type="checkbox"
                  className="size-7 flex-none accent-[var(--cambium-deep)]"
                  checked={chosen.has(w.id)}
                  onChange={(e) => set([w.id], e.target.checked)}
                />
                <span className="plate-small flex-none">{w.tag}</span>
                <span className="min-w-0 flex-1">
                  <b className="block">{w.title}</b>
                  <span className="block text-[0.9375rem] text-ink-2">{w.words}</span>
                  {w.left && <span className="block text-[0.9375rem] font-semibold text-sap">{w.left}</span>}
                </span>
                {w.on && <span className="text-right text-[0.9375rem]">stands on {w.on}</span>}
              </label>
            ))}
          </fieldset>
        );
      })}
      <div className="mt-6 grid max-w-2xl gap-x-8 desk:grid-cols-2">
        <SelectField label="Crew" path="crewId" issues={issues} value={crewId} onChange={setCrew} options={crews} />
        <SelectField label="Day" path="day" issues={issues} value={day} onChange={setDay} options={days} />
      </div>
      {theirs ? (
        <div className="mb-3 border-l-4 border-sap pl-3" role="alert">
          {issues.map((f) => (
            <p key={f.message} className="font-semibold text-sap">
              {f.message}
            </p>
          ))}
          <button type="button" className="press mt-2 min-h-14" disabled={busy} onClick={() => put(true)}>
            Put it there all the same
          </button>
        </div>
      ) : (
        <FormIssues issues={issues} known={['crewId', 'day']} />
      )}
      {may && (
        <button
          type="button"
          data-confirm
          className="press press-main min-h-14 phone:w-full"
          disabled={busy || chosen.size === 0}
          onClick={() => put(false)}
        >
          {chosen.size ? `Put ${chosen.size} on this day` : 'Choose what goes'}
        </button>
      )}
    </>
  );
}
