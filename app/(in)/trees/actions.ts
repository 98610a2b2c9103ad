'use server';

import { saveClient as saveClientCommand } from '@/commands/sites/save-client';
import { saveSite as saveSiteCommand } from '@/commands/sites/save-site';
import { addTree as addTreeCommand } from '@/commands/sites/add-tree';
import { recordOthersOnSite as recordOthersOnSiteCommand } from '@/commands/sites/record-others-on-site';
import { addSiteCalendar as addSiteCalendarCommand } from '@/commands/sites/add-site-calendar';
import { deleteSiteCalendar as deleteSiteCalendarCommand } from '@/commands/sites/delete-site-calendar';
import { sendSiteQuote as sendSiteQuoteCommand } from '@/commands/sites/send-site-quote';
import { setSection as setSectionCommand } from '@/commands/sites/set-section';
import { addTask as addTaskCommand } from '@/commands/sites/add-task';
import { settleTask as settleTaskCommand } from '@/commands/sites/settle-task';
import { voidTreeImport as voidTreeImportCommand } from '@/commands/sites/void-tree-import';
import { serve } from '@/app/_server/serve';

export const voidTreeImport = serve(voidTreeImportCommand);
export const saveClient = serve(saveClientCommand);
export const saveSite = serve(saveSiteCommand);
export const addTree = serve(addTreeCommand);
export const recordOthersOnSite = serve(recordOthersOnSiteCommand);
export const addSiteCalendar = serve(addSiteCalendarCommand);
export const deleteSiteCalendar = serve(deleteSiteCalendarCommand);
export const sendSiteQuote = serve(sendSiteQuoteCommand);
export const addTask = serve(addTaskCommand);
export const settleTask = serve(settleTaskCommand);
export const setSection = serve(setSectionCommand);
