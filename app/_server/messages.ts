import { simulatedCarrier } from '@/stand-ins/messages';
import { messageCarried, messagesWaiting } from '@/store/messages';
import { failed } from './failed';
import { currentViewer } from './viewer';

/** Hands what waits to the carrier; what it does not take waits on. A carrier that is away stops nothing that was done. */
export async function carryMessages(): Promise<void> {
  const viewer = await currentViewer();
  if (!viewer) return;
  try {
    for (const m of await messagesWaiting(viewer)) {
      const receipt = await simulatedCarrier({ id: m.id, to: m.contact, subject: m.subject, body: m.body });
      if (receipt) await messageCarried(viewer, m.id, receipt);
    }
  } catch (error) {
    await failed(error);
  }
}
