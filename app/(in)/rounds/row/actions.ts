'use server';

import { serve } from '@/app/_server/serve';
import { bookRow as bookRowCommand } from '@/commands/tree/book-row';

export const bookRow = serve(bookRowCommand);
