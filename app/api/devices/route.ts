import { boardView } from '@/views/devices';
import { route } from '../../_server/api';
import { clockNow } from '@/store/clock';

/** The board of what hangs, asked again and again by every device that shows it. */
export const GET = route('see the grounds', async (viewer) => Response.json(await boardView(viewer, clockNow())));
