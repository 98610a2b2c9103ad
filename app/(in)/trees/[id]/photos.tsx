import { findSign } from '@/knowledge';
import type { Tree } from '@/store/tree';
import { Section } from '@/ui/frame/pieces';
import { dayThere } from '@/ui/words';

/** Photos of the tree, with the sign that each shows. */
export function Photos({ tree }: { tree: Tree }) {
  if (!tree.photos.length) return null;
  return (
    <Section title="Photos">
      <ul className="flex flex-wrap gap-3 py-3">
        {tree.photos.map((p) => (
          <li key={p.id}>
            <a href={`/api/photos/${p.id}`} className="block">
              {/* eslint-disable-next-line @next/next/no-img-element -- already resized, served with its own rights */}
              <img
                src={`/api/photos/${p.id}`}
                alt={`Photo of ${dayThere(p.at, tree.timeZone)}${p.sign ? `: ${findSign(p.sign)?.words ?? p.sign}` : ''}`}
                width={132}
                height={Math.round((132 * p.height) / p.width)}
                loading="lazy"
              />
              {p.sign && <span className="block max-w-[132px] text-small">{findSign(p.sign)?.words ?? p.sign}</span>}
            </a>
          </li>
        ))}
      </ul>
    </Section>
  );
}
