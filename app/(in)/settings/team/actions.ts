'use server';

import { addPerson as addPersonCommand } from '@/commands/people/add-person';
import { editPerson as editPersonCommand } from '@/commands/people/edit-person';
import { savePracticePolicies as savePracticePoliciesCommand } from '@/commands/people/save-practice-policies';
import { savePrices as savePricesCommand } from '@/commands/people/save-prices';
import { makeResetLink as makeResetLinkCommand } from '@/commands/people/make-reset-link';
import { serve } from '@/app/_server/serve';

export const addPerson = serve(addPersonCommand);
export const editPerson = serve(editPersonCommand);
export const savePracticePolicies = serve(savePracticePoliciesCommand);
export const savePrices = serve(savePricesCommand);
export const makeResetLink = serve(makeResetLinkCommand);
