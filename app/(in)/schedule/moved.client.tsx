'use client';

import { groups } from 'd3-array';
import { useRouter } from 'next/navigation';
import { METHOD_NAMES } from '@/core/label/methods';
import { FormIssues } from '@/ui/controls/controls';
import { useAsked } from '@/ui/controls/query.client';
import { useSend } from '@/ui/controls/use.client';
import { Section } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { boundWords } from '@/ui/season-words';
import { tagRuns } from '@/core/site-map/tags';
import { shortDay } from '@/ui/words';
import type { PlanMoves } from '@/views/plan-days';
import { followPlans } from './actions';

type Move = PlanMoves['moves'][number];
/** Trees that are moved alike are told in one line. */
const alike = (m: Move) => [m.label, m.method, m.was.plannedFor, m.now?.plannedFor, JSON.stringify(m.opens)].join();

/**
 * Plans of a place whose windows the season has moved since they were made, and the press that moves them; nothing where
 * everything stands.
 * @param drawnAt when the page was made: what it shows is asked again with it
 */
export function MovedPlans({ siteId, drawnAt, may }: { siteId: string; drawnAt: string; may: boolean }) {
  const router = useRouter();
  const said = useNotify();
  const { told } = useAsked<PlanMoves>(`/api/schedule/moves?place=${siteId}`, drawnAt);
  const { busy, issues, send } = useSend(followPlans);
  if (!told?.moves.length) return null;
  const to = told.moves.filter((m) => m.now).length;
  const follow = () =>
    send({ siteId, seen: told.seen }, ({ moved }) => {
      said({ sentence: `${moved} ${moved === 1 ? 'plan follows' : 'plans follow'} the season.` });
      router.refresh();
    });
  return (
    <Section title="The season has moved" aside="plans stand where they were until you move them">
      <ul>
        {groups(told.moves, alike).map(([key, of]) => {
          const m = of[0]!;
          return (
            <li key={key} className="row py-2">
              <p>
                <b>
                  {METHOD_NAMES[m.method]}, {m.label}
                </b>
                , {tagRuns(of.map((x) => x.tag))}
              </p>
              <p className="text-[0.9375rem]">
                {m.now
                  ? `From ${shortDay(m.was.plannedFor)} to ${shortDay(m.now.plannedFor)}: ${m.opens.map(boundWords).join('; ') || 'it may be done from there'}.`
                  : `It stood on ${shortDay(m.was.plannedFor)} and has no day within a year now: plan it anew, or drop it.`}
              </p>
            </li>
          );
        })}
      </ul>
      <FormIssues issues={issues} known={[]} />
      {may && to > 0 && (
        <button type="button" className="press press-main mt-3 phone:w-full" disabled={busy} onClick={follow}>
          Move {to === 1 ? 'it' : `these ${to}`} with the season
        </button>
      )}
    </Section>
  );
}
