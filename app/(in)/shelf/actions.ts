'use server';

import { signLabel as signLabelCommand } from '@/commands/shelf/check-label';
import { bringLabel as bringLabelCommand } from '@/commands/shelf/bring-label';
import { receiveLot as receiveLotCommand } from '@/commands/shelf/receive-lot';
import { count as countCommand } from '@/commands/shelf/count-stock';
import { keepVessel as keepVesselCommand } from '@/commands/shelf/keep-vessel';
import { dropVessel as dropVesselCommand } from '@/commands/shelf/drop-vessel';
import { keepSprayer as keepSprayerCommand } from '@/commands/shelf/keep-sprayer';
import { dropSprayer as dropSprayerCommand } from '@/commands/shelf/drop-sprayer';
import { warnBelow as warnBelowCommand } from '@/commands/shelf/warn-below';
import { keepEquipment as keepEquipmentCommand } from '@/commands/shelf/keep-equipment';
import { dropEquipment as dropEquipmentCommand } from '@/commands/shelf/drop-equipment';
import {
  keepLabelOn as keepLabelOnCommand,
  takeLabelOff as takeLabelOffCommand,
} from '@/commands/shelf/take-label-off';
import { serve } from '@/app/_server/serve';

export const signLabel = serve(signLabelCommand);
export const takeLabelOff = serve(takeLabelOffCommand);
export const keepLabelOn = serve(keepLabelOnCommand);
export const bringLabel = serve(bringLabelCommand);
export const receiveLot = serve(receiveLotCommand);
export const count = serve(countCommand);
export const keepVessel = serve(keepVesselCommand);
export const dropVessel = serve(dropVesselCommand);
export const keepSprayer = serve(keepSprayerCommand);
export const dropSprayer = serve(dropSprayerCommand);
export const warnBelow = serve(warnBelowCommand);
export const keepEquipment = serve(keepEquipmentCommand);
export const dropEquipment = serve(dropEquipmentCommand);
