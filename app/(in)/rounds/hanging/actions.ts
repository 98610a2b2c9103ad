'use server';

import { serve } from '@/app/_server/serve';
import { hang as hangCommand } from '@/commands/hanging/hang';
import { hangAgain as hangAgainCommand } from '@/commands/hanging/hang-again';
import { hangOvernight as hangOvernightCommand } from '@/commands/hanging/hang-overnight';
import { pullDevices as pullDevicesCommand } from '@/commands/hanging/pull-devices';
import { seeDevices as seeDevicesCommand } from '@/commands/hanging/see-devices';

export const hang = serve(hangCommand);
export const hangAgain = serve(hangAgainCommand);
export const hangOvernight = serve(hangOvernightCommand);
export const pullDevices = serve(pullDevicesCommand);
export const seeDevices = serve(seeDevicesCommand);
