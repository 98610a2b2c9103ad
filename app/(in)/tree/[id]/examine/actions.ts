'use server';

import { examine as examineCommand } from '@/commands/tree/examine';
import { withdraw as withdrawCommand } from '@/commands/tree/withdraw-look';
import { send as sendCommand } from '@/commands/tree/send-sample';
import { answer as answerCommand } from '@/commands/tree/answer-sample';
import { byOthers as byOthersCommand } from '@/commands/tree/book-others-on-tree';
import { answerChange as answerChangeCommand } from '@/commands/tree/settle-change';
import { serve } from '@/app/_server/serve';

export const examine = serve(examineCommand);
export const withdraw = serve(withdrawCommand);
export const send = serve(sendCommand);
export const answer = serve(answerCommand);
export const byOthers = serve(byOthersCommand);
export const answerChange = serve(answerChangeCommand);
