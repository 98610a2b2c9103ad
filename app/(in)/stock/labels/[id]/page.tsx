import { notFound } from 'next/navigation';
import { METHOD_NAMES } from '@/core/label/methods';
import { labelView } from '@/views/stock';
import { differences } from '@/core/label/difference';
import Link from 'next/link';
import { findCondition, findHost } from '@/knowledge';
import { Frame } from '@/ui/frame/frame';
import { Fact, Section, TagLine } from '@/ui/frame/pieces';
import { dayThere, shortDay } from '@/ui/words';
import { allows, idOr404, viewer } from '@/app/_server/viewer';

export const metadata = { title: 'Label' };

export default async function LabelPage({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const id = idOr404((await params).id);
  const held = (await labelView(v, id)) ?? notFound();
  const { label, versions } = held;
  const before = versions.find((x) => x.version < label.version);
  const changed = before ? differences(before.label, label) : [];
  const tag = (
    <>
      <p className="text-lead leading-tight font-extrabold">{label.name}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Registration">{label.registration}</TagLine>
        <TagLine name="Version">{label.version}</TagLine>
        <TagLine name="Signal">{label.signalWord}</TagLine>
        <TagLine name="Bees">{label.beeHazard}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <section className="flex flex-col gap-3">
      <p className="text-[0.9375rem]">
        {held.checkedOn
          ? `Checked against the label in hand on ${shortDay(held.checkedOn)}.`
          : 'Nobody has checked this against the label in hand.'}
      </p>
      <a className="press" href={`/api/labels/${id}`} download>
        Take it as JSON
      </a>
      {allows(v, 'keep the shelf') && (
        <Link className="press" href={`/stock/labels/new?from=${id}`}>
          Enter its next version
        </Link>
      )}
      <ul className="text-[0.9375rem]">
        {versions.map((x) => (
          <li key={x.id} className="row py-1.5">
            {x.id === id ? <b>Version {x.version}</b> : <Link href={`/stock/labels/${x.id}`}>Version {x.version}</Link>}
            , {dayThere(x.at, v.timeZone)}
          </li>
        ))}
      </ul>
      <p className="text-small text-ink-2">A version that was used in a record is kept for ever.</p>
    </section>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Check and file">
      <h1>{label.name}</h1>
      <p className="text-ink-2">
        {label.actives
          .map((a) => `${a.name} ${a.gPerL ? `${a.gPerL} g/L` : `${100 * (a.massFraction ?? 0)} %`}`)
          .join(' + ')}
        , {label.formulation}
        {label.training && '. Fictional, for training'}
      </p>
      {before && (
        <Section
          title={`Changed since version ${before.version}`}
          empty={changed.length === 0 && 'Nothing but its number.'}
        >
          <table className="dense">
            <thead>
              <tr>
                <th>Where</th>
                <th>Before</th>
                <th>Now</th>
              </tr>
            </thead>
            <tbody>
              {changed.map((d) => (
                <tr key={d.where}>
                  <td>{d.where}</td>
                  <td className="text-madder">{d.before ?? 'not there'}</td>
                  <td className="font-bold">{d.after ?? 'gone'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Section>
      )}
      {label.stock && <p className="mt-3 quote">“{label.stock.text}”</p>}
      {label.uses.map((u) => (
        <Section key={u.key} title={`${METHOD_NAMES[u.method]}: ${u.title}`}>
          <p className="quote mt-2">“{u.rate.text}”</p>
          <dl className="mt-2">
            <Fact name="On">{u.hosts.map((h) => findHost(h)?.name ?? h).join(', ')}</Fact>
            <Fact name="Against">{u.targets.map((t) => findCondition(t)?.name ?? t).join(', ')}</Fact>
            {'text' in u.carrier && <Fact name="Water">{u.carrier.text}</Fact>}
            {u.sites && <Fact name="Sites">{u.sites.text}</Fact>}
            {u.limits.map((l) => (
              <Fact key={l.limit + l.text} name={l.limit.replace(/-/g, ' ')}>
                {l.text}
              </Fact>
            ))}
            <Fact name="Intervals">{u.intervals.text}</Fact>
            {u.conditions && <Fact name="Conditions">{u.conditions.text}</Fact>}
            <Fact name="To wear">{u.protection.join(', ')}</Fact>
          </dl>
          {u.followUps.length > 0 && (
            <ul className="mt-3 list-disc pl-5 text-[0.9375rem]">
              {u.followUps.map((f) => (
                <li key={f.id}>
                  After {f.after.count} {f.after.unit}: {f.what} ({f.why})
                </li>
              ))}
            </ul>
          )}
        </Section>
      ))}
    </Frame>
  );
}
