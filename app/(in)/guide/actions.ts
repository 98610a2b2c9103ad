'use server';

import { setLikelihood as setLikelihoodCommand } from '@/commands/guide/set-likelihood';
import { importCustomEntries as importCustomEntriesCommand } from '@/commands/guide/import-custom-entries';
import { saveCustomEntry as saveCustomEntryCommand } from '@/commands/guide/save-custom-entry';
import { voidCustomEntry as voidCustomEntryCommand } from '@/commands/guide/void-custom-entry';
import { serve } from '@/app/_server/serve';

export const setLikelihood = serve(setLikelihoodCommand);
export const saveCustomEntry = serve(saveCustomEntryCommand);
export const importCustomEntries = serve(importCustomEntriesCommand);
export const voidCustomEntry = serve(voidCustomEntryCommand);
