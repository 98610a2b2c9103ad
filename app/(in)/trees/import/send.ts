import { z } from 'zod';
import { LIST_DOUBTS, type ListDoubt } from '@/core/exchange/list-doubts';
import type { RowIssue } from '@/core/exchange/table';

export interface Sent {
  issues: RowIssue[];
  written: number | null;
  /** What the list as a whole is asked. */
  doubts: ListDoubt[];
}
export const NOTHING_SENT: Sent = { issues: [], written: null, doubts: [] };

/** One line of the answer: how far it is, or what came of it. */
const line = z.object({
  done: z.number().optional(),
  of: z.number().optional(),
  written: z.number().optional(),
  issues: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});

/** What the list as a whole is asked has its name in its path. */
const ofList = /^sure\.(\w+)$/;
/** A fault of the list has the line and the column in its path; any other is a sentence of its own. */
const ofRow = /^csv\.(\d+)(?:\.(.*))?$/;

/** Sends a list and follows how far it is; whatever happens, what came of it is said. */
export async function sendList(
  body: object,
  onProgress: (p: { done: number; of: number }) => void,
): Promise<Sent & { sentence: string }> {
  const out: Sent & { sentence: string } = { issues: [], written: null, doubts: [], sentence: '' };
  const hear = (text: string) => {
    const said = line.parse(JSON.parse(text));
    if (said.done !== undefined) onProgress({ done: said.done, of: said.of ?? 1 });
    if (said.written !== undefined) out.written = said.written;
    for (const f of said.issues ?? []) {
      const row = ofRow.exec(f.path);
      const asked = ofList.exec(f.path);
      const id = LIST_DOUBTS.find((d) => d === asked?.[1]);
      if (id) out.doubts.push({ id, sentence: f.message });
      else if (row) out.issues.push({ line: Number(row[1]), column: row[2] ?? null, message: f.message });
      else out.sentence = f.message;
    }
  };
  try {
    const response = await fetch('/api/import', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let held = '';
    for (;;) {
      const { done, value } = await reader.read();
      held += value ?? '';
      const lines = held.split('\n');
      held = lines.pop() ?? '';
      lines.filter(Boolean).forEach(hear);
      if (done) break;
    }
    if (held.trim()) hear(held);
  } catch {
    out.sentence =
      'The connection broke off. Either all rows came in or none: look at the place before you send again.';
  }
  return out;
}
