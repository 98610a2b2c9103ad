'use client';

import { useRouter } from 'next/navigation';
import { CERTAINTIES, certaintyWords, DECISIONS, ODDS, type Certainty, type Decision } from '@/core/diagnose/words';
import { Choices, FormIssues, TextArea, Checkbox } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { Input, Select } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveDiagnosis } from '../../../offline-commands.client';

interface Props {
  treeId: string;
  list: { id: string; name: string; kind: string; p: number; sure: string; needs: Certainty }[];
  proposed: { conditionId: string; certainty: Certainty; decision: Decision; reason: string };
  /** Troubles that stand open beside it. */
  open: { id: string; conditionId: string; name: string; decision: string }[];
  refused: string | null;
}
/** So many names stand open; the rest is in the list below them. */
const LEADING = 6;

/** The person's own word: what the ranking says is filled in, and anything else may be said with its reason. */
export function DecideBench({ treeId, list, proposed, open, refused }: Props) {
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(`decide:${treeId}`);
  const { id } = made;
  const [form, setForm, forget] = useDraft(`decide:${treeId}:${proposed.conditionId}`, {
    ...proposed,
    overturns: [] as string[],
  });
  const { busy, issues, send } = useSend(saveDiagnosis, made);
  const others = open.filter((o) => o.conditionId !== form.conditionId);
  const chosen = list.find((c) => c.id === form.conditionId);
  const leading = list.slice(0, LEADING);
  const rest = list.slice(LEADING).sort((a, b) => a.name.localeCompare(b.name));
  const name = (conditionId: string) => {
    setForm((f) => ({ ...f, conditionId }));
    if (conditionId !== proposed.conditionId)
      router.push(`/trees/${treeId}/diagnose?name=${conditionId}`, { scroll: false });
  };
  return (
    <form
      noValidate
      className="mt-8 border-t-2 border-bark pt-5"
      onSubmit={(e) => {
        e.preventDefault();
        send({ id, treeId, ...form }, ({ next }) => {
          forget();
          said({ sentence: 'Decision kept.' });
          router.push(next);
        });
      }}
    >
      <h2 className="mb-1">Your decision</h2>
      <p className="mb-4 text-ink-2">
        Filled in as the ranking and the rules say. You decide; where you differ, say why.
      </p>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues issues={issues} known={['conditionId', 'certainty', 'decision', 'reason']} />
      <fieldset className="mb-4 min-w-0">
        <legend className="mb-1 font-semibold">Condition</legend>
        {leading.map((c) => (
          <label
            key={c.id}
            className="row flex min-h-hand cursor-pointer items-center gap-4 py-1.5 has-checked:bg-paper has-focus-visible:outline-3 has-focus-visible:outline-slate"
          >
            <Input
              type="radio"
              name="condition"
              className="size-6 flex-none accent-[var(--cambium-deep)]"
              checked={form.conditionId === c.id}
              onChange={() => name(c.id)}
            />
            <span className="flex-1">
              <b>{c.name}</b> <span className="text-ink-2">{c.kind}</span>
            </span>
            <span className="figures text-[0.9375rem]">{c.sure}</span>
          </label>
        ))}
        <label className="mt-2 flex flex-wrap items-center gap-3">
          <span>or one of the others:</span>
          <Select
            className="box w-auto max-w-full min-w-0"
            value={rest.some((c) => c.id === form.conditionId) ? form.conditionId : ''}
            onChange={(e) => e.target.value && name(e.target.value)}
          >
            <option value="">–</option>
            {rest.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}, {c.sure}
              </option>
            ))}
          </Select>
        </label>
        {issues.some((f) => f.path === 'conditionId') && (
          <p role="alert" className="mt-1 font-semibold text-madder">
            {issues.find((f) => f.path === 'conditionId')!.message}
          </p>
        )}
      </fieldset>
      <Choices
        label={`How sure${chosen ? ` (what is grave asks for “${certaintyWords(chosen.needs)}”)` : ''}`}
        path="certainty"
        issues={issues}
        value={form.certainty}
        onChange={(certainty) => setForm((f) => ({ ...f, certainty }))}
        options={CERTAINTIES.map((c) => ({ value: c, name: `${certaintyWords(c)} (${ODDS[c]})` }))}
      />
      <Choices
        label="Decision"
        path="decision"
        issues={issues}
        value={form.decision}
        onChange={(decision) => setForm((f) => ({ ...f, decision }))}
        options={DECISIONS.map((d) => ({ value: d, name: d }))}
      />
      {others.length > 0 && (
        <fieldset className="mb-4 min-w-0">
          <legend className="mb-1 font-semibold">Open beside it; each goes on unless you say that it was wrong</legend>
          {others.map((o) => (
            <Checkbox
              key={o.id}
              checked={form.overturns.includes(o.id)}
              onChange={(wrong) =>
                setForm((f) => ({
                  ...f,
                  overturns: wrong ? [...f.overturns, o.id] : f.overturns.filter((x) => x !== o.id),
                }))
              }
            >
              {o.name} ({o.decision}) was wrong
            </Checkbox>
          ))}
        </fieldset>
      )}
      <TextArea
        label="Why, in a sentence the client will read"
        path="reason"
        issues={issues}
        value={form.reason}
        onChange={(reason) => setForm((f) => ({ ...f, reason }))}
      />
      <div className="phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
        <button data-confirm className="press press-main min-w-64 phone:w-full" disabled={busy || refused !== null}>
          {busy ? 'Keeping …' : 'Keep this decision'}
        </button>
      </div>
    </form>
  );
}
