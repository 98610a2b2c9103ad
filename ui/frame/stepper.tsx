import Link from 'next/link';

export interface StepperStep {
  name: string;
  href: string;
  /** What stands there, e.g. a date; a step with nothing is still to do. */
  done: string | null;
  here: boolean;
  dataKey?: string;
}

/** The steps on a tree as a twig that grows: done steps carry a filled bud. */
export function Stepper({ steps }: { steps: StepperStep[] }) {
  return (
    <ol className="mt-4">
      {steps.map((s, i) => (
        <li key={s.name} className="relative pb-3 pl-7">
          {i < steps.length - 1 && (
            <span aria-hidden className="absolute top-4 bottom-[-4px] left-[9px] w-[2.5px] bg-ink" />
          )}
          <svg aria-hidden width="20" height="20" viewBox="-10 -10 20 20" className="absolute top-0.5 left-0">
            <path
              d="M-9 0 C-5 -8 7 -8 7 0 C7 8 -5 8 -9 0Z"
              fill={s.here ? 'var(--cambium)' : s.done ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth="2"
            />
          </svg>
          <Link
            href={s.href}
            data-key={s.dataKey}
            aria-current={s.here ? 'step' : undefined}
            className={`-my-1.5 block py-1.5 leading-tight ${s.here ? 'font-extrabold' : 'font-bold'} hover:underline`}
          >
            {s.name}
            {s.done && <span className="block text-small font-normal text-ink-2">{s.done}</span>}
          </Link>
        </li>
      ))}
    </ol>
  );
}
