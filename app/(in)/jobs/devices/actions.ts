'use server';

import { serve } from '@/app/_server/serve';
import { installDevices as installDevicesCommand } from '@/commands/devices/install-devices';
import { reinstallDevices as reinstallDevicesCommand } from '@/commands/devices/reinstall-devices';
import { leaveDevicesOvernight as leaveDevicesOvernightCommand } from '@/commands/devices/leave-devices-overnight';
import { removeDevices as removeDevicesCommand } from '@/commands/devices/remove-devices';
import { readDevices as readDevicesCommand } from '@/commands/devices/read-devices';

export const installDevices = serve(installDevicesCommand);
export const reinstallDevices = serve(reinstallDevicesCommand);
export const leaveDevicesOvernight = serve(leaveDevicesOvernightCommand);
export const removeDevices = serve(removeDevicesCommand);
export const readDevices = serve(readDevicesCommand);
