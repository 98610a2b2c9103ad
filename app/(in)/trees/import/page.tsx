import { uuid } from '@/lib/ids';
import { refusal } from '@/core/people/rights';
import { hostsNow } from '@/knowledge';
import { sitesToChoose } from '@/store/sites';
import { Frame } from '@/ui/frame/frame';
import { allows, todayOf, viewer } from '@/app/_server/viewer';
import { MOST_TREES } from '@/commands/sites/import-trees';
import { listImports } from '@/store/imports';
import { Section } from '@/ui/frame/pieces';
import { dayAndClock } from '@/ui/words';
import { TakeBack } from './lists.client';
import { ImportBench } from './import.client';

export const metadata = { title: 'Bring trees in' };

export default async function Import({ searchParams }: { searchParams: Promise<{ place?: string }> }) {
  const v = await viewer();
  const wanted = (await searchParams).place;
  const places = await sitesToChoose(v, uuid.safeParse(wanted).success ? wanted! : null);
  const lists = await listImports(v);
  const margin = (
    <section>
      <h2 className="text-body">How it goes</h2>
      <ol className="list-decimal pl-5 text-[0.9375rem]">
        <li>Choose the place and the file: CSV in any usual form, or a workbook (XLSX). One line names the columns.</li>
        <li>See that each column was understood, in which unit, and when the trunks were measured.</li>
        <li>Say once what each species is that the guide has not got.</li>
        <li>Mend what is named, line by line. All rows come in, or none.</li>
      </ol>
      <h2 className="mt-5 text-body">Hosts it knows</h2>
      <p className="text-[0.9375rem]">
        {hostsNow()
          .filter((h) => !h.unlisted)
          .map((h) => h.name)
          .join(', ')}
        ; by their Latin names too. Any other tree comes in under the name it has.
      </p>
    </section>
  );
  return (
    <Frame
      tag={<p className="text-head leading-tight font-extrabold">Bring trees in</p>}
      margin={margin}
      handle="How it goes"
    >
      <h1 className="mb-4">Trees from a list</h1>
      {allows(v, 'edit grounds') ? (
        <ImportBench
          reader={v.units}
          most={MOST_TREES}
          today={todayOf(v)}
          places={places}
          place={uuid.safeParse(wanted).success ? wanted! : ''}
          hosts={hostsNow().map((h) => ({
            id: h.id,
            name: h.name,
            latin: h.latin,
            also: h.also,
            unlisted: h.unlisted,
            growthCmPerYear: h.growthCmPerYear,
            largestCm: h.largestCm,
          }))}
        />
      ) : (
        <p>{refusal(v.role, 'edit grounds')}</p>
      )}
      {lists.length > 0 && (
        <Section title="Lists that came in" aside="taken back whole while nothing rests on them">
          <ul>
            {lists.map((l) => (
              <li key={l.id} className="row flex flex-wrap items-center justify-between gap-3 py-2">
                <span>
                  <b>{l.name}</b>: {l.trees} {l.trees === 1 ? 'tree' : 'trees'}, {l.siteName}, {l.byName},{' '}
                  {dayAndClock(l.at, v.timeZone)}
                  {l.takenBackAt && `; taken back ${dayAndClock(l.takenBackAt, v.timeZone)}`}
                </span>
                {!l.takenBackAt && allows(v, 'edit grounds') && <TakeBack id={l.id} name={l.name} />}
              </li>
            ))}
          </ul>
        </Section>
      )}
    </Frame>
  );
}
