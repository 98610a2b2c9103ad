import Link from 'next/link';
import { signsOf } from '@/core/diagnose/reading';
import { groupBy } from '@/core/work/load-out';
import { knowledgeFor } from '@/app/_server/knowledge';
import { viewer } from '@/app/_server/viewer';
import { figureNames, kindOfFigure, SignFigure } from '@/ui/figures/signs';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { PrintButton } from '@/ui/controls/print.client';

export const metadata = { title: 'All drawings' };

/** What the drawings of one kind have in common. */
const KIND_WORDS: Readonly<Record<string, string>> = {
  bracket: 'Fruit bodies of wood decay',
  hole: 'Holes in bark',
  gallery: 'Galleries under bark',
  cover: 'Covers and sacs of scales',
  gnaw: 'Gnawing and rubbing',
  shed: 'Bark that is shed',
  film: 'Black on leaves',
  margin: 'Brown margins',
  mine: 'Mines in leaves',
  spot: 'Spots on leaves',
  fade: 'Yellow leaves',
  roll: 'Rolled and folded leaves',
  gall: 'Galls and knots',
  chew: 'Eaten leaves',
  needle: 'Needles',
  fruit: 'Fruit',
};

/** Every drawing of the guide, kind beside kind, with what it shows and what it tells of. */
export default async function Page() {
  const { knowledge } = await knowledgeFor(await viewer());
  const kinds = groupBy(figureNames(), kindOfFigure);
  const shows = (figure: string) => {
    const signs = knowledge.signs.filter((s) => s.figure === figure);
    const tests = knowledge.tests.filter((t) => t.figure === figure);
    const of = knowledge.conditions.filter((c) => signsOf(c).some((id) => signs.some((s) => s.id === id)));
    return { words: [...signs.map((s) => s.words), ...tests.map((t) => t.ask)], of: of.slice(0, 3) };
  };
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">All drawings</p>
          <dl className="mt-3 border-t border-line-2">
            {[...kinds].map(([kind, of]) => (
              <TagLine key={kind} name={KIND_WORDS[kind] ?? kind}>
                {of.length}
              </TagLine>
            ))}
          </dl>
        </>
      }
      margin={
        <>
          <p>
            <Link href="/guide">Back to the guide</Link>
          </p>
          <PrintButton />
        </>
      }
      handle="Back to the guide"
    >
      <h1>What is it that you see?</h1>
      <p className="mt-1 text-ink-2">Look at form and edge first, then at the size that stands below.</p>
      {[...kinds].map(([kind, of]) => (
        <Section key={kind} title={KIND_WORDS[kind] ?? kind}>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-x-5 gap-y-6">
            {of.map((figure) => {
              const { words, of: conditions } = shows(figure);
              return (
                <li key={figure} className="break-inside-avoid">
                  <SignFigure id={figure} size={160} />
                  <p className="mt-1 text-[0.9375rem]">{words[0]}</p>
                  <p className="text-small">
                    {conditions.map((c, i) => (
                      <span key={c.id}>
                        {i > 0 && ', '}
                        <Link href={`/guide/${c.id}`} className="underline underline-offset-3">
                          {c.name}
                        </Link>
                      </span>
                    ))}
                  </p>
                </li>
              );
            })}
          </ul>
        </Section>
      ))}
    </Frame>
  );
}
