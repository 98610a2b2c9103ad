import { notFound } from 'next/navigation';
import { findCondition, findSign } from '@/knowledge';
import { ownEntries } from '@/store/knowledge';
import { allows, viewer } from '@/app/_server/viewer';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { dayThere } from '@/ui/words';
import { OwnConditionForm } from './own.client';

export const metadata = { title: 'Our own entries' };

/** What this outfit knows better: its versions, and a new condition of its own. */
export default async function Page() {
  const v = await viewer();
  if (!allows(v, 'edit the guide')) notFound();
  const entries = await ownEntries(v);
  const example = findCondition('lime-aphid')!;
  return (
    <Frame
      tag={<p className="text-head leading-tight font-extrabold">Our own entries</p>}
      margin={
        <section>
          <h2 className="text-body">How it holds</h2>
          <p className="text-[0.9375rem]">
            Own entries lie over what ships. An update of Elmhorn leaves them as they are; one that rests on something
            no longer shipped is kept and told in the guide. Every change is a new version.
          </p>
        </section>
      }
      handle="How own entries hold"
    >
      <h1>Our own entries</h1>
      <Section
        title="What we know better"
        empty={entries.length === 0 && 'Nothing yet. Open a condition in the guide and write what you see here.'}
      >
        <ul>
          {entries.map((e) => (
            <li key={e.kind + e.key} className="row py-2">
              <b>
                {e.kind === 'condition'
                  ? (e.data?.name ?? e.key)
                  : `${findCondition(e.data.condition)?.name ?? e.data.condition}: ${findSign(e.data.sign)?.words ?? e.data.sign}, ${e.data.often ?? 'has nothing to do with it'}`}
              </b>
              <span className="block text-[0.9375rem]">{e.note}</span>
              <span className="block text-small text-ink-2">
                version {e.version}, {e.byName}, {dayThere(e.at, v.timeZone)}
              </span>
            </li>
          ))}
        </ul>
      </Section>
      <OwnConditionForm
        example={JSON.stringify(
          { ...example, id: 'own-lime-gall-midge', name: 'Lime gall midge', lookalikes: [], followers: [] },
          null,
          2,
        )}
      />
    </Frame>
  );
}
