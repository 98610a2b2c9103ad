'use server';

import { setLikelihood as setLikelihoodCommand } from '@/commands/guide/set-likelihood';
import { bringOwn as bringOwnCommand } from '@/commands/guide/bring-own';
import { keepOwn as keepOwnCommand } from '@/commands/guide/keep-own';
import { takeBackOwn as takeBackOwnCommand } from '@/commands/guide/take-back-own';
import { serve } from '@/app/_server/serve';

export const setLikelihood = serve(setLikelihoodCommand);
export const keepOwn = serve(keepOwnCommand);
export const bringOwn = serve(bringOwnCommand);
export const takeBackOwn = serve(takeBackOwnCommand);
