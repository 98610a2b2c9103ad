import type { Condition } from '@/core/diagnose/knowledge';

/**
 * Which decisions somebody of the trade would let stand for a plain case of a condition, three to five clear signs and no
 * laboratory yet. Written by what is done about it; where a kind is not enough, by name. Read twice.
 */
const BY_NAME: Readonly<Record<string, readonly string[]>> = {
  'nothing-wrong': ['leave it alone', 'protect a sound tree', 'look further'],
  'sooty-mould': ['leave it alone', 'treat now', 'treat in its window', 'look further'],
  'emerald-ash-borer': ['treat now', 'treat in its window', 'report', 'test first'],
  'fire-blight': ['treat now', 'treat in its window', 'laboratory first'],
  'dutch-elm-disease': ['treat now', 'laboratory first', 'report', 'manage or remove', 'treat in its window'],
  'bacterial-leaf-scorch': ['laboratory first', 'report'],
  xylella: ['laboratory first', 'report'],
  'oak-wilt': ['laboratory first', 'report'],
  'canker-stain': ['laboratory first', 'report'],
  'citrus-greening': ['laboratory first', 'report'],
  'sudden-oak-death': ['laboratory first', 'report'],
  'chestnut-blight': ['laboratory first', 'report'],
  'phytophthora-bleeding': ['laboratory first', 'report'],
  'beech-leaf-disease': ['report', 'test first', 'manage or remove'],
  'chestnut-gall-wasp': ['manage or remove', 'treat now', 'report', 'test first'],
  'oak-processionary': ['manage or remove', 'treat now', 'report', 'treat in its window'],
  'pine-processionary': ['treat now', 'treat in its window', 'report', 'manage or remove'],
  // Once the crown hangs its heart is eaten: it is taken down before it falls.
  'red-palm-weevil': ['treat now', 'treat in its window', 'report', 'manage or remove'],
  'large-borer': ['report', 'test first', 'manage or remove'],
  'citrus-psyllid': ['treat now', 'report', 'treat in its window'],
  'acute-oak-decline': ['laboratory first', 'report', 'restore vigour first', 'test first'],
  'verticillium-wilt': ['laboratory first', 'restore vigour first', 'test first'],
  'bacterial-bleeding-canker': ['laboratory first', 'restore vigour first'],
  'ash-dieback': ['laboratory first', 'manage or remove', 'test first'],
  'old-age-decline': ['not yet named', 'look further', 'restore vigour first', 'test first'],
  'drought-stress': ['restore vigour first', 'not yet named', 'test first', 'look further'],
};

export function allowedFor(c: Condition): readonly string[] {
  const named = BY_NAME[c.id];
  if (named) return named;
  switch (c.kind === 'harmless' ? 'leave' : c.policy) {
    case 'leave':
      return ['leave it alone', 'look further'];
    case 'relieve':
      return ['treat now', 'treat in its window', 'leave it alone', 'test first'];
    case 'restore':
      return ['restore vigour first', 'test first', 'look further', 'not yet named'];
    case 'driver':
      return ['restore vigour first', 'test first', 'treat now', 'treat in its window', 'manage or remove'];
    case 'manage':
      return ['manage or remove', 'test first', 'laboratory first', 'report', 'treat now', 'treat in its window'];
    default:
      return ['treat now', 'treat in its window', 'test first', 'laboratory first'];
  }
}
