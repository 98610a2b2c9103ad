import Link from 'next/link';
import { finder, testWords } from '@/facts/diagnosis';
import { viewer } from '@/app/_server/viewer';
import { overturnedView } from '@/views/records';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayThere } from '@/ui/words';

export const metadata = { title: 'Overturned diagnoses' };

/** Which diagnoses were overturned, by which test, and what had been put on meanwhile: how a company learns. */
export default async function Page() {
  const v = await viewer();
  const { rows, knowledge } = await overturnedView(v);
  const find = finder(knowledge);
  const name = (id: string) => find(id)?.name ?? id;
  const test = testWords(knowledge);
  const count = (keys: string[]) => {
    const m = new Map<string, number>();
    for (const k of keys) m.set(k, (m.get(k) ?? 0) + 1);
    return [...m].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  };
  const pairs = count(rows.map((r) => `${name(r.was)} → ${name(r.became)}`));
  const tests = count(rows.flatMap((r) => r.by.map(test)));
  return (
    <Frame
      tag={
        <div>
          <p className="text-tag leading-none font-extrabold">{rows.length}</p>
          <p className="mt-2 text-lead font-bold">overturned</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Treatments lost">{rows.reduce((s, r) => s + r.treatments, 0)}</TagLine>
            <TagLine name="Litres lost">{rows.reduce((s, r) => s + r.litres, 0).toFixed(2)}</TagLine>
          </dl>
          <p className="mt-4">
            <Link href="/records" className="underline underline-offset-3">
              Back to the book
            </Link>
          </p>
        </div>
      }
      margin={
        <section>
          <h2 className="text-body">Which test did it</h2>
          {tests.length === 0 && <p className="text-ink-2">No test has overturned a diagnosis yet.</p>}
          <ul>
            {tests.map(([t, n]) => (
              <li key={t} className="row flex justify-between gap-3 py-1.5 text-[0.9375rem]">
                <span>{t}</span> <b className="figures">{n}</b>
              </li>
            ))}
          </ul>
        </section>
      }
      handle="Which test did it"
    >
      <h1>What we first took it for</h1>
      <p className="text-ink-2">Every diagnosis that a later one on the same tree has overturned.</p>
      <Section
        title="Confused most"
        empty={
          pairs.length === 0 &&
          'Nothing has been overturned. When a decision names another condition than the one before, it stands here.'
        }
      >
        <ul>
          {pairs.slice(0, 12).map(([p, n]) => (
            <li key={p} className="row flex justify-between py-2">
              <b>{p}</b> <span className="figures">{n === 1 ? 'once' : `${n} times`}</span>
            </li>
          ))}
        </ul>
      </Section>
      {rows.length > 0 && (
        <Section title="Case by case">
          <ul>
            {rows.map((r) => (
              <li
                key={r.treeId + r.becameAt.toISOString()}
                className="row flex flex-wrap items-center gap-x-5 gap-y-1 py-2.5"
              >
                <Link href={`/trees/${r.treeId}/diagnose`} className="plate-small">
                  {r.tag}
                </Link>
                <span className="flex-1 basis-72">
                  <s>{name(r.was)}</s> became <b>{name(r.became)}</b>
                  <span className="block text-small text-ink-2">
                    {r.siteName}, {dayThere(r.wasAt, v.timeZone)} to {dayThere(r.becameAt, v.timeZone)}
                    {r.by.length > 0 && `; by ${r.by.map(test).join(', ')}`}
                  </span>
                </span>
                <span className="figures text-[0.9375rem]">
                  {r.treatments === 0
                    ? 'nothing put on'
                    : `${r.treatments} ${r.treatments === 1 ? 'treatment' : 'treatments'}, ${r.litres.toFixed(2)} L`}
                </span>
              </li>
            ))}
          </ul>
        </Section>
      )}
    </Frame>
  );
}
