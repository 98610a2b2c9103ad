import type { Issue } from '@/lib/result';
import { useState } from 'react';
import { TextArea } from '@/ui/controls/controls';
import type { WrittenCondition } from './condition.client';

/**
 * A condition as somebody pasted it, over what stands in the fields. What is only empty, or a word that no list has, is told by
 * the check beside its field; what the fields could not be drawn with is told here, with its place.
 */
export async function readWhole(
  text: string,
  entry: WrittenCondition,
): Promise<{ ok: true; entry: WrittenCondition } | { ok: false; issues: string[] }> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { ok: false, issues: ['This is not JSON.'] };
  }
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return { ok: false, issues: ['An entry stands between { and }.'] };
  const whole = { ...entry, ...raw };
  // The schema comes once somebody pastes: who types into the fields does without it.
  const { conditionSchema } = await import('@/core/diagnose/knowledge');
  const read = conditionSchema.safeParse(whole);
  const SHAPE = ['invalid_type', 'invalid_union', 'invalid_key', 'unrecognized_keys'];
  const issues = (read.error?.issues ?? [])
    .filter((i) => SHAPE.includes(i.code))
    .map((i) => `${i.path.join('.') || 'The entry'}: ${i.message}.`);
  return issues.length ? { ok: false, issues } : { ok: true, entry: whole };
}

/** All of the entry, with what has no field: life through the year, enemies, winters, chains, how common host by host. */
export function WholeEntry({ entry, onEntry }: { entry: WrittenCondition; onEntry: (next: WrittenCondition) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [issues, setIssues] = useState<Issue[]>([]);
  return (
    <details className="mb-4" onToggle={() => setTyped(null)}>
      <summary className="min-h-hand py-2 font-bold">The whole entry, as JSON</summary>
      <TextArea
        label="With its life, enemies and winters under “beside”"
        path="json"
        issues={issues}
        rows={14}
        value={typed ?? JSON.stringify(entry, null, 2)}
        onChange={setTyped}
      />
      <button
        type="button"
        className="press"
        disabled={typed === null}
        onClick={() =>
          void readWhole(typed!, entry).then((read) => {
            setIssues(read.ok ? [] : [{ path: 'json', message: read.issues.slice(0, 3).join(' ') }]);
            if (!read.ok) return;
            onEntry(read.entry);
            setTyped(null);
          })
        }
      >
        Take it over into the fields
      </button>
    </details>
  );
}
