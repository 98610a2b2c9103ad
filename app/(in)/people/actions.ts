'use server';

import { newPerson as newPersonCommand } from '@/commands/people/add-person';
import { editPerson as editPersonCommand } from '@/commands/people/edit-person';
import { chooseSchools as chooseSchoolsCommand } from '@/commands/people/choose-schools';
import { keepPrices as keepPricesCommand } from '@/commands/people/keep-prices';
import { makeResetLink as makeResetLinkCommand } from '@/commands/people/make-reset-link';
import { serve } from '@/app/_server/serve';

export const newPerson = serve(newPersonCommand);
export const editPerson = serve(editPersonCommand);
export const chooseSchools = serve(chooseSchoolsCommand);
export const keepPrices = serve(keepPricesCommand);
export const makeResetLink = serve(makeResetLinkCommand);
