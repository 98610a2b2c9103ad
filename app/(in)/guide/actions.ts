'use server';

import { setLikelihood as setLikelihoodCommand } from '@/commands/guide/set-likelihood';
import { addOwnCondition as addOwnConditionCommand } from '@/commands/guide/add-own-condition';
import { serve } from '@/app/_server/serve';

export const setLikelihood = serve(setLikelihoodCommand);
export const addOwnCondition = serve(addOwnConditionCommand);
