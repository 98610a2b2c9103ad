'use server';

import { savePreferences as savePreferencesCommand } from '@/commands/people/save-preferences';
import { addCalendarAddress as addCalendarAddressCommand } from '@/commands/people/add-calendar-address';
import { saveCompany as saveCompanyCommand } from '@/commands/people/save-company';
import { changePassword as changePasswordCommand } from '@/commands/people/change-password';
import { endSession as endSessionCommand } from '@/commands/people/end-session';
import { serve } from '@/app/_server/serve';

export const endSession = serve(endSessionCommand);
export const savePreferences = serve(savePreferencesCommand);
export const addCalendarAddress = serve(addCalendarAddressCommand);
export const saveCompany = serve(saveCompanyCommand);
export const changePassword = serve(changePasswordCommand);
