import { loadSheet, titledSheet, type SheetAddress } from './sheet';
import { TreatStep } from './step';

export const generateMetadata = titledSheet('Treat');

export default async function Page(address: SheetAddress) {
  return <TreatStep seen={await loadSheet(address)} />;
}
