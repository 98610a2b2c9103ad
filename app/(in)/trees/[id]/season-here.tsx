import { STAGE_NAMES, stageWords } from '@/core/season/bbch';
import type { LocalDate } from '@/lib/calendar/zone';
import { stagesAbout, stagesOn } from '@/core/season/stages';
import type { HostYear } from '@/core/season/year';
import { findHost } from '@/knowledge';
import type { Tree } from '@/store/tree';
import { Section } from '@/ui/frame/pieces';
import { expectedWords, spanWords, stageReason } from '@/ui/season-words';
import { NoteStage } from '@/app/(in)/schedule/note.client';

/** What the tree is at in its year, what comes next and why then, and a touch to say what is seen. */
export function SeasonHere({
  tree,
  year,
  today,
  mayNote,
}: {
  tree: Pick<Tree, 'id' | 'siteId' | 'hostId'>;
  year: HostYear;
  today: LocalDate;
  mayNote: boolean;
}) {
  if (!year.stages.length) return null;
  const now = stagesOn(year.stages, today);
  const ahead = year.stages.filter((s) => s.day > today).sort((a, b) => a.day.localeCompare(b.day));
  const heat = year.heat.filter((h) => h.latest >= today).sort((a, b) => a.day.localeCompare(b.day));
  const near = [...stagesAbout(year.stages, today), ...ahead].map((s) => s.code);
  const likely = [...new Set(near)].slice(0, 4);
  return (
    <Section title="Its season" aside={<a href={`/schedule?place=${tree.siteId}`}>The year at this place</a>}>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 py-2.5">
        <div className="min-w-0 flex-1 basis-72">
          <p>
            Now <b>{now.map((s) => STAGE_NAMES[s.code]).join(', ') || 'before its first stage'}</b>
            {now[0] && ` (${stageReason(now[0])})`}.
          </p>
          {ahead[0] && (
            <p className="text-[0.9375rem] text-ink-2">
              Next {stageWords(ahead[0].code)} {spanWords(ahead[0].earliest, ahead[0].latest)}, {stageReason(ahead[0])}.
            </p>
          )}
          {heat.slice(0, 2).map((h) => (
            <p key={`${h.modelId}${h.day}`} className="text-[0.9375rem] text-ink-2">
              {h.what.replace(/^./, (c) => c.toUpperCase())}
              {expectedWords({ kind: 'heat', date: h })}.
            </p>
          ))}
        </div>
        {mayNote && (
          <NoteStage
            siteId={tree.siteId}
            treeId={tree.id}
            today={today}
            hostId={tree.hostId}
            hostName={findHost(tree.hostId)?.name ?? tree.hostId}
            likely={likely}
            others={[...new Set(year.stages.map((s) => s.code))]
              .filter((c) => !likely.includes(c))
              .sort((a, b) => a - b)}
          />
        )}
      </div>
    </Section>
  );
}
