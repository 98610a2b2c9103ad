import { intakeTimed, TEST_POUR_MINUTES, TEST_POUR_MM } from '@/core/basin/basin';
import { Choices } from '@/ui/controls/controls';

const NOT_TIMED = '';

/** How long a test pour took to go in: what was timed on the spot takes the place of what such soil usually takes. */
export const TestPour = ({
  intakeMmH,
  onTimed,
}: {
  intakeMmH: number | null;
  onTimed: (intakeMmH: number | null) => void;
}) => (
  <Choices
    small
    label={`A test pour, ${TEST_POUR_MM} mm deep, went in within`}
    value={intakeMmH === null ? NOT_TIMED : String(intakeMmH)}
    onChange={(timed) => onTimed(timed === NOT_TIMED ? null : Number(timed))}
    options={[
      { value: NOT_TIMED, name: 'not timed' },
      ...TEST_POUR_MINUTES.map((m) => ({ value: String(intakeTimed(m)), name: `${m} min` })),
    ]}
  />
);
