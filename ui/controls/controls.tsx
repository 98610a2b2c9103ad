import type { Issue } from '@/lib/result';
import { useId } from 'react';
import { Input, Select, TextBox } from './input.client';

export const issueAt = (issues: Issue[] | undefined, path: string) =>
  issues?.find((f) => f.path === path || f.path.startsWith(`${path}.`))?.message;

interface FieldProps {
  label: string;
  path: string;
  issues?: Issue[];
  hint?: React.ReactNode;
  children: (p: { id: string; 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => React.ReactNode;
}
/** A label, a control, and in place what is wrong with it. */
export function Field({ label, path, issues, hint, children }: FieldProps) {
  const id = useId();
  const sentence = issueAt(issues, path);
  const described = [sentence && `${id}-fault`, hint && `${id}-hint`].filter(Boolean).join(' ');
  return (
    <div className="mb-4">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children({ id, 'aria-invalid': Boolean(sentence), 'aria-describedby': described || undefined })}
      {hint && (
        <p id={`${id}-hint`} className="mt-1 text-small text-ink-2">
          {hint}
        </p>
      )}
      {sentence && (
        <p id={`${id}-fault`} className="mt-1 font-semibold text-madder" role="alert">
          {sentence}
        </p>
      )}
    </div>
  );
}

/** One line of text. */
export function TextField({
  label,
  path,
  issues,
  hint,
  value,
  onChange,
  ...rest
}: Omit<FieldProps, 'children'> & { value: string; onChange: (v: string) => void } & Omit<
    React.InputHTMLAttributes<HTMLInputElement>,
    'value' | 'onChange'
  >) {
  return (
    <Field label={label} path={path} issues={issues} hint={hint}>
      {(p) => (
        <Input
          {...rest}
          {...p}
          className={`box ${rest.className ?? ''}`}
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </Field>
  );
}
export function TextArea({
  label,
  path,
  issues,
  hint,
  value,
  onChange,
  rows = 3,
}: Omit<FieldProps, 'children'> & { value: string; onChange: (v: string) => void; rows?: number }) {
  return (
    <Field label={label} path={path} issues={issues} hint={hint}>
      {(p) => <TextBox {...p} rows={rows} className="box" value={value} onChange={(e) => onChange(e.target.value)} />}
    </Field>
  );
}
export function SelectField<T extends string>({
  label,
  path,
  issues,
  hint,
  value,
  onChange,
  options,
}: Omit<FieldProps, 'children'> & {
  value: T;
  onChange: (v: T) => void;
  options: readonly { value: T; name: string }[];
}) {
  return (
    <Field label={label} path={path} issues={issues} hint={hint}>
      {(p) => (
        <Select {...p} className="box" value={value} onChange={(e) => onChange(e.target.value as T)}>
          {options.map((o) => (
            <option key={o.value} value={o.value}>
              {o.name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

/** A few choices side by side, each as large as a glove needs. */
export function Choices<T extends string>({
  label,
  value,
  onChange,
  options,
  issues,
  path,
  small,
  hideLabel,
}: {
  label: string;
  value: T | null;
  onChange: (v: T) => void;
  options: readonly { value: T; name: string }[];
  issues?: Issue[];
  path?: string;
  small?: boolean;
  /** For eyes the question stands beside already. */
  hideLabel?: boolean;
}) {
  const name = useId();
  const sentence = path ? issueAt(issues, path) : undefined;
  return (
    <fieldset className="mb-4">
      <legend className={hideLabel ? 'sr-only' : 'mb-1 font-semibold'}>{label}</legend>
      <div className="flex flex-wrap">
        {options.map((o) => (
          <label key={o.value} className={small ? 'choice choice-small' : 'choice'}>
            <Input type="radio" name={name} checked={value === o.value} onChange={() => onChange(o.value)} />
            {o.name}
          </label>
        ))}
      </div>
      {sentence && (
        <p className="mt-1 font-semibold text-madder" role="alert">
          {sentence}
        </p>
      )}
    </fieldset>
  );
}

interface CheckboxProps {
  checked: boolean;
  onChange: (v: boolean) => void;
  children: React.ReactNode;
}
const ticked = 'flex cursor-pointer items-center has-focus-visible:outline-3 has-focus-visible:outline-slate';
const box = (p: CheckboxProps, size: string) => (
  <Input
    type="checkbox"
    className={`${size} flex-none accent-[var(--cambium-deep)]`}
    checked={p.checked}
    onChange={(e) => p.onChange(e.target.checked)}
  />
);

/** A box to tick, as large as a glove needs. */
export function Checkbox(p: CheckboxProps) {
  return (
    <label className={`row min-h-hand gap-4 py-1.5 ${ticked}`}>
      {box(p, 'size-6')}
      <span>{p.children}</span>
    </label>
  );
}

/** One of many to be ticked, side by side: a tree of a row, a way among ways. */
export function CheckboxTag(p: CheckboxProps) {
  return (
    <label className={`min-h-hand gap-2 border border-line px-3 has-checked:border-ink has-checked:bg-paper ${ticked}`}>
      {box(p, 'size-5')}
      <span>{p.children}</span>
    </label>
  );
}

/** Faults that belong to no field on the page. */
export function FormIssues({ issues, known = [] }: { issues?: Issue[]; known?: string[] }) {
  const rest = issues?.filter((f) => !known.some((k) => f.path === k || f.path.startsWith(`${k}.`))) ?? [];
  if (!rest.length) return null;
  return (
    <div role="alert" className="mb-4 border-l-4 border-madder py-1 pl-3 font-semibold text-madder">
      {rest.map((f) => (
        <p key={f.path + f.message}>{f.message}</p>
      ))}
    </div>
  );
}
