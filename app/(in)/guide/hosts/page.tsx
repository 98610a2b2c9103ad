import Link from 'next/link';
import { groupBy } from '@/core/work/load-out';
import { hostsNow } from '@/knowledge';
import { leafOf } from '@/knowledge/leaf-forms';
import { viewer } from '@/app/_server/viewer';
import { LeafFigure } from '@/ui/figures/leaf-form';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { BackToGuide } from '../back';

export const metadata = { title: 'Hosts by their leaves' };

/** What is looked at first on a shoot. */
const KINDS = [
  ['in pairs', 'Leaves in opposite pairs'],
  ['one by one', 'Leaves one by one'],
  ['all round', 'Needles, scales and fans all round'],
] as const;

/** Every host by its leaf: how it sits, then its form, so that one can be found by what is in the hand. */
export default async function Page() {
  await viewer();
  const hosts = hostsNow().filter((h) => !h.unlisted);
  const looks = [...groupBy(hosts, (h) => leafOf(h).look)].map(([look, of]) => ({ ...leafOf(of[0]!), look, of }));
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">Hosts by their leaves</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Hosts">{hosts.length}</TagLine>
            <TagLine name="Leaves">{looks.length}</TagLine>
          </dl>
          <BackToGuide />
        </>
      }
      margin={
        <p className="text-[0.9375rem]">
          Look first how leaves and buds sit on the shoot, then at the form, then at the margin and the base. One leaf
          may mislead; ten from the crown seldom do.
        </p>
      }
      handle="How to look"
    >
      <h1>What stands before you?</h1>
      {KINDS.map(([sits, title]) => (
        <Section key={sits} title={title}>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-5 gap-y-4 pt-2">
            {looks
              .filter((l) => l.sits === sits)
              .map((l) => (
                <li key={l.look} className="min-w-0">
                  <LeafFigure
                    form={l.form}
                    sits={l.sits}
                    name={l.of[0]!.name.toLowerCase()}
                    size={104}
                    caption={false}
                  />
                  {l.of.map((h) => (
                    <Link
                      key={h.id}
                      href={`/guide/hosts/${h.id}`}
                      className="mr-3 inline-block min-h-10 py-1.5 text-[0.9375rem] underline underline-offset-3"
                    >
                      {h.name}
                    </Link>
                  ))}
                </li>
              ))}
          </ul>
        </Section>
      ))}
    </Frame>
  );
}
