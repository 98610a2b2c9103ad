import { useEffect, useRef } from 'react';
import { Input } from './input.client';

/**
 * A file that somebody chose before the page had its script is read once it has it.
 * @returns what the input is held by
 */
export function useAttachWaiting(take: (input: HTMLInputElement) => void) {
  const input = useRef<HTMLInputElement>(null);
  const first = useRef(take);
  useEffect(() => {
    if (input.current?.files?.length) first.current(input.current);
  }, []);
  return input;
}

/** A press that asks for a file; the same one may be chosen again. */
export function FilePress({
  label,
  accept,
  disabled,
  className = '',
  onFile,
}: {
  label: string;
  accept: string;
  disabled?: boolean;
  className?: string;
  onFile: (file: File) => void;
}) {
  const take = (input: HTMLInputElement) => {
    const [file] = input.files ?? [];
    input.value = '';
    if (file) onFile(file);
  };
  const input = useAttachWaiting(take);
  return (
    <label className={`press has-focus-visible:outline-3 has-focus-visible:outline-slate ${className}`}>
      {label}
      <Input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        disabled={disabled}
        onChange={(e) => take(e.target)}
      />
    </label>
  );
}
