'use server';

import { prefer as preferCommand } from '@/commands/people/set-preferences';
import { makeCalendar as makeCalendarCommand } from '@/commands/people/make-calendar-address';
import { keepCompany as keepCompanyCommand } from '@/commands/people/keep-company';
import { changeOwnPassword as changeOwnPasswordCommand } from '@/commands/people/change-password';
import { endSession as endSessionCommand } from '@/commands/people/end-session';
import { serve } from '@/app/_server/serve';

export const endSession = serve(endSessionCommand);
export const prefer = serve(preferCommand);
export const makeCalendar = serve(makeCalendarCommand);
export const keepCompany = serve(keepCompanyCommand);
export const changeOwnPassword = serve(changeOwnPasswordCommand);
