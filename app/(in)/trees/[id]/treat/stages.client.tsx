'use client';

import type { MethodWords } from '@/core/label/method-words';
import type { Label, LabelUse } from '@/core/label/schema';
import { Checkbox } from '@/ui/controls/controls';

const STAGES = ['Protect', 'Prepare', 'Apply', 'Write'] as const;

/** The stages of a sheet, and where one stands. */
export const StageStrip = ({ stage, onGo }: { stage: number; onGo: (stage: number) => void }) => (
  <nav aria-label="Sheet" className="mt-2 mb-5 flex border-b border-line phone:grid phone:grid-cols-4">
    {STAGES.map((s, i) => (
      <button
        key={s}
        type="button"
        aria-current={stage === i ? 'step' : undefined}
        onClick={() => onGo(i)}
        className={`min-h-14 px-3.5 phone:px-1 phone:text-[0.9375rem] ${stage === i ? 'border-b-4 border-ink font-bold' : ''}`}
      >
        {i + 1} {s}
      </button>
    ))}
  </nav>
);

/** The great button of a stage; on a phone it stays under the thumb. */
export const MainPress = ({
  children,
  onPress,
  disabled,
  plain = false,
}: {
  children: React.ReactNode;
  onPress: () => void;
  disabled: boolean;
  plain?: boolean;
}) => (
  <div className="mt-6 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
    <button
      data-confirm
      type="button"
      className={`press min-h-14 min-w-64 phone:w-full ${plain ? '' : 'press-main'}`}
      disabled={disabled}
      onClick={onPress}
    >
      {children}
    </button>
  </div>
);

/** What is put on before the can is opened. */
export const Protect = ({
  use,
  label,
  words,
  worn,
  onWorn,
}: {
  use: LabelUse;
  label: Label;
  words: MethodWords;
  worn: readonly string[];
  onWorn: (worn: string[]) => void;
}) => (
  <>
    {use.protection.map((p) => (
      <Checkbox
        key={p}
        checked={worn.includes(p)}
        onChange={(on) => onWorn(on ? [...worn, p] : worn.filter((x) => x !== p))}
      >
        {p}
      </Checkbox>
    ))}
    <p className="mt-3 text-[0.9375rem] text-ink-2">
      Signal word on the label: {label.signalWord}. Label in hand, people and pets away, {words.ready}.
    </p>
  </>
);
