import { notFound } from 'next/navigation';
import QRCode from 'qrcode';
import { batchView } from '@/views/mix';
import { idOr404, viewer } from '@/app/_server/viewer';
import { BatchPage } from './batch';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'A mix' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const { batch, taken } = (await batchView(v, idOr404((await params).id))) ?? notFound();
  // The tag says the code: a phone that reads it finds the mix by it, whatever address this server has.
  const qr = await QRCode.toString(batch.code, { type: 'svg', margin: 0, errorCorrectionLevel: 'Q' });
  return <BatchPage viewer={v} now={clockNow()} batch={batch} taken={taken} qr={qr} />;
}
