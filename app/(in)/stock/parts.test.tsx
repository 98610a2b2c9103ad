import { textOf } from '@/ui/testing';
import { trainingLabels } from '@/knowledge';
import { LabelRow, short, Vessels, WhereItWent, type Reader } from './parts';

jest.mock('./equipment.client', () => ({ EquipmentForm: () => null, EquipmentRow: () => null }));
jest.mock('./labels.client', () => ({
  CheckLabel: () => '[check]',
  LabelFile: () => null,
  LabelOff: () => '[take off]',
}));
jest.mock('./stock.client', () => ({
  CountLot: () => '[count]',
  WarnBelow: ({ below }: { below: string }) => `[warn ${below}]`,
}));
jest.mock('./vessels.client', () => ({
  AddVessel: () => '[add]',
  RemoveVessel: () => '[remove]',
  SprayerForm: () => null,
}));

const keeper: Reader = { units: 'metric', timeZone: 'Europe/London', today: '2026-06-01', keep: true };
const reader = { ...keeper, keep: false };
const [label] = trainingLabels;
const row = (checkedOn: string | null) =>
  ({ id: 'l', key: label!.key, version: 1, label, checkedOn, checkedBy: 'A B' }) as unknown as Parameters<
    typeof LabelRow
  >[0]['label'];
const lot = (expiresOn: string, onHand: number) =>
  ({
    id: expiresOn,
    labelKey: label!.key,
    lotNumber: `N-${onHand}`,
    onHand,
    unit: 'mL',
    expiresOn,
  }) as unknown as Parameters<typeof LabelRow>[0]['lots'][number];
const NEED = { wanted: 0, held: 100, level: null };

it.each([
  ['enough for the sheets, no level', { wanted: 100, held: 100, level: null }, null],
  ['less than the sheets will take', { wanted: 101, held: 100, level: null }, 'sheets'],
  ['the sheets go before the level', { wanted: 101, held: 100, level: 500 }, 'sheets'],
  ['below the level that is kept', { wanted: 0, held: 99, level: 100 }, 'level'],
  ['at the level', { wanted: 0, held: 100, level: 100 }, null],
])('%s', (_, need, why) => expect(short(need)).toBe(why));

describe('a label on the shelf', () => {
  const told = (of: Partial<Parameters<typeof LabelRow>[0]>) =>
    textOf(<LabelRow label={row('2026-05-01')} lots={[]} need={NEED} reader={keeper} {...of} />);
  it('that nobody checked says so, and offers it to whoever keeps the stock', () => {
    expect(told({ label: row(null) })).toMatch(/Not checked against the label in hand \[check\]/);
    expect(told({ label: row(null), reader })).not.toContain('[check]');
    expect(told({})).toContain('Checked against the label in hand by A B, 1 May 2026');
  });
  it('tells a lot that has expired, from the day after its last', () => {
    expect(told({ lots: [lot('2026-05-31', 10)] })).toContain('31 May 2026, expired');
    expect(told({ lots: [lot('2026-06-01', 10)] })).not.toContain('expired');
  });
  it('is taken off the shelf only when nothing of it is left', () => {
    expect(told({ lots: [lot('2027-01-01', 0)] })).toContain('[take off]');
    expect(told({ lots: [lot('2027-01-01', 1)] })).not.toContain('[take off]');
  });
  it('says what to order in the units of the reader, and shows the level that is kept', () => {
    const need = { wanted: 3000, held: 1000, level: 250 };
    expect(told({ need })).toContain('open sheets need 3 L; only 1 L is on hand');
    expect(told({ need, reader: { ...keeper, units: 'us' } })).toMatch(/need [\d.]+ (gal|qt|pt|fl oz)/);
    expect(told({ need, lots: [lot('2027-01-01', 1)] })).toContain('[warn 250]');
  });
});

it('the account of the supplier is told as what came in, a loss as what went', () => {
  const balance = (account: string, amount: number) => ({ labelKey: label!.key, account, amount, unit: 'mL' });
  const told = textOf(
    <WhereItWent
      labels={[row(null)]}
      balances={[balance('supplier', -5000), balance('loss', 750), balance('count', -20)] as never}
      reader={keeper}
    />,
  );
  expect(told).toMatch(/5 L – – 750 mL −20 mL –/);
});

it('a vessel that is not kept for pesticides alone says so; only a keeper may take one away', () => {
  const vessel = { id: 'v', name: 'Jug', dimension: 'volume', capacity: 1000, graduation: 50, reserved: false };
  expect(textOf(<Vessels vessels={[vessel] as never} keep />)).toMatch(/not reserved .*\[remove\] \[add\]/);
  expect(textOf(<Vessels vessels={[{ ...vessel, reserved: true }] as never} keep={false} />)).not.toMatch(
    /not reserved|\[remove\]|\[add\]/,
  );
});
