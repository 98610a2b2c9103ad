'use server';

import { book as bookCommand } from '@/commands/tree/book';
import { serve } from '@/app/_server/serve';

export const book = serve(bookCommand);
