'use server';

import { saveInspection as saveInspectionCommand } from '@/commands/trees/save-inspection';
import { voidInspection as voidInspectionCommand } from '@/commands/trees/void-inspection';
import { sendSample as sendSampleCommand } from '@/commands/trees/send-sample';
import { answerSample as answerSampleCommand } from '@/commands/trees/answer-sample';
import { recordOthersOnTree as recordOthersOnTreeCommand } from '@/commands/trees/record-others-on-tree';
import { settleChange as settleChangeCommand } from '@/commands/trees/settle-change';
import { serve } from '@/app/_server/serve';

export const saveInspection = serve(saveInspectionCommand);
export const voidInspection = serve(voidInspectionCommand);
export const sendSample = serve(sendSampleCommand);
export const answerSample = serve(answerSampleCommand);
export const recordOthersOnTree = serve(recordOthersOnTreeCommand);
export const settleChange = serve(settleChangeCommand);
