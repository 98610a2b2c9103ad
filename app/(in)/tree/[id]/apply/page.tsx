import { loadSheet, titledSheet, type SheetAddress } from './sheet';
import { ApplyStep } from './step';

export const generateMetadata = titledSheet('Apply');

export default async function Page(address: SheetAddress) {
  return <ApplyStep seen={await loadSheet(address)} />;
}
