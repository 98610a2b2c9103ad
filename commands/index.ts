import { amendRecord } from './records/amend-record';
import { saveClient } from './sites/save-client';
import { saveSite } from './sites/save-site';
import { voidTreeImport } from './sites/void-tree-import';
import { addTree } from './sites/add-tree';
import { recordOthersOnSite } from './sites/record-others-on-site';
import { sendSiteQuote } from './sites/send-site-quote';
import { setSection } from './sites/set-section';
import { addTask } from './sites/add-task';
import { settleTask } from './sites/settle-task';
import { addSiteCalendar } from './sites/add-site-calendar';
import { deleteSiteCalendar } from './sites/delete-site-calendar';
import { saveSiteMap } from './sites/save-site-map';
import { importSiteMap } from './sites/import-site-map';
import { importTrees } from './sites/import-trees';
import { setLikelihood } from './guide/set-likelihood';
import { importCustomEntries } from './guide/import-custom-entries';
import { saveCustomEntry } from './guide/save-custom-entry';
import { voidCustomEntry } from './guide/void-custom-entry';
import { savePreferences } from './people/save-preferences';
import { changePassword } from './people/change-password';
import { makeResetLink } from './people/make-reset-link';
import { addCalendarAddress } from './people/add-calendar-address';
import { saveCompany } from './people/save-company';
import { addPerson } from './people/add-person';
import { editPerson } from './people/edit-person';
import { savePracticePolicies } from './people/save-practice-policies';
import { savePrices } from './people/save-prices';
import { importReadings } from './schedule/import-readings';
import { saveDegreeDayModel } from './schedule/save-degree-day-model';
import { noteStage } from './schedule/note-stage';
import { voidStageNote } from './schedule/void-stage-note';
import { finishPractice } from './practice/finish-practice';
import { saveRegion } from './rules/save-region';
import { checkRegion } from './rules/check-region';
import { endSession } from './people/end-session';
import { checkLabel } from './stock/check-label';
import { restoreLabel } from './stock/restore-label';
import { retireLabel } from './stock/retire-label';
import { importLabel } from './stock/import-label';
import { receiveLot } from './stock/receive-lot';
import { adjustStock } from './stock/adjust-stock';
import { saveVessel } from './stock/save-vessel';
import { deleteVessel } from './stock/delete-vessel';
import { saveSprayer } from './stock/save-sprayer';
import { deleteSprayer } from './stock/delete-sprayer';
import { setReorderLevel } from './stock/set-reorder-level';
import { saveEquipment } from './stock/save-equipment';
import { deleteEquipment } from './stock/delete-equipment';
import { settleFollowUp } from './trees/settle-follow-up';
import { addReminder } from './trees/add-reminder';
import { skipVisit } from './trees/skip-visit';
import { editTree } from './trees/edit-tree';
import { archiveTree } from './trees/archive-tree';
import { finishWork } from './trees/finish-work';
import { cancelQuote } from './trees/cancel-quote';
import { recordTreatment } from './trees/record-treatment';
import { recordTreatments } from './trees/record-treatments';
import { saveDiagnosis } from './trees/save-diagnosis';
import { saveInspection } from './trees/save-inspection';
import { voidInspection } from './trees/void-inspection';
import { sendSample } from './trees/send-sample';
import { answerSample } from './trees/answer-sample';
import { recordOthersOnTree } from './trees/record-others-on-tree';
import { settleChange } from './trees/settle-change';
import { savePhoto } from './trees/save-photo';
import { measureTree } from './trees/measure-tree';
import { planTreatment } from './trees/plan-treatment';
import { planWork } from './trees/plan-work';
import { cancelPlan } from './trees/cancel-plan';
import { cancelPlans } from './trees/cancel-plans';
import { followPlans } from './trees/follow-plans';
import { installDevices } from './devices/install-devices';
import { reinstallDevices } from './devices/reinstall-devices';
import { leaveDevicesOvernight } from './devices/leave-devices-overnight';
import { removeDevices } from './devices/remove-devices';
import { readDevices } from './devices/read-devices';
import { moveInspections } from './trees/move-inspections';
import { movePlans } from './trees/move-plans';
import { moveWorks } from './trees/move-works';
import { settleSkippedTrees } from './trees/settle-skipped-trees';
import { setTreeProgramme } from './trees/set-tree-programme';
import { sendQuote } from './trees/send-quote';
import { answerInspection } from './programmes/answer-inspection';
import { endAssignment } from './programmes/end-assignment';
import { followSeason } from './programmes/follow-season';
import { saveProgramme } from './programmes/save-programme';
import { assignProgramme } from './programmes/assign-programme';
import { skipVisits } from './programmes/skip-visits';
import { moveVisits } from './programmes/move-visits';
import { overrideHolds } from './programmes/override-holds';
import { settleSkippedVisits } from './programmes/settle-skipped-visits';
import { saveCrew } from './jobs/save-crew';
import { saveSchedule } from './jobs/save-schedule';
import { addAbsence } from './jobs/add-absence';
import { notifyClient } from './jobs/notify-client';
import { deleteAbsence } from './jobs/delete-absence';
import { startDay } from './jobs/start-day';
import { finishDay } from './jobs/finish-day';
import { markNotDone } from './jobs/mark-not-done';
import { orderStops } from './jobs/order-stops';
import { addToDay } from './jobs/add-to-day';
import { reopenNotDone } from './jobs/reopen-not-done';
import { checkLoadItem } from './jobs/check-load-item';
import { finishBatch } from './mixes/finish-batch';
import { makeBatch } from './mixes/make-batch';
import { voidBatch } from './mixes/void-batch';
import { currentName } from '@/core/phone/command-names';
import type { AnyCommand } from './command';

/** Every command that writes, by its name: pages, plain HTTP and tests ask for them here. */
export const COMMANDS: readonly AnyCommand[] = [
  amendRecord,
  saveClient,
  saveSite,
  addTree,
  recordOthersOnSite,
  addSiteCalendar,
  sendSiteQuote,
  setSection,
  addTask,
  settleTask,
  deleteSiteCalendar,
  saveSiteMap,
  importSiteMap,
  importTrees,
  setLikelihood,
  saveCustomEntry,
  importCustomEntries,
  voidCustomEntry,
  savePreferences,
  addCalendarAddress,
  changePassword,
  makeResetLink,
  saveCompany,
  addPerson,
  editPerson,
  savePracticePolicies,
  savePrices,
  importReadings,
  saveDegreeDayModel,
  noteStage,
  voidStageNote,
  finishPractice,
  saveRegion,
  checkRegion,
  checkLabel,
  retireLabel,
  voidTreeImport,
  endSession,
  restoreLabel,
  importLabel,
  receiveLot,
  adjustStock,
  saveVessel,
  deleteVessel,
  saveSprayer,
  deleteSprayer,
  setReorderLevel,
  saveEquipment,
  deleteEquipment,
  settleFollowUp,
  addReminder,
  skipVisit,
  editTree,
  archiveTree,
  finishWork,
  cancelQuote,
  recordTreatment,
  recordTreatments,
  saveDiagnosis,
  saveInspection,
  voidInspection,
  sendSample,
  answerSample,
  recordOthersOnTree,
  settleChange,
  savePhoto,
  measureTree,
  planTreatment,
  planWork,
  cancelPlan,
  cancelPlans,
  followPlans,
  movePlans,
  moveWorks,
  installDevices,
  readDevices,
  leaveDevicesOvernight,
  removeDevices,
  reinstallDevices,
  moveInspections,
  settleSkippedTrees,
  setTreeProgramme,
  assignProgramme,
  followSeason,
  answerInspection,
  endAssignment,
  skipVisits,
  moveVisits,
  overrideHolds,
  settleSkippedVisits,
  saveProgramme,
  saveCrew,
  addAbsence,
  deleteAbsence,
  saveSchedule,
  notifyClient,
  addToDay,
  orderStops,
  startDay,
  checkLoadItem,
  markNotDone,
  reopenNotDone,
  finishDay,
  makeBatch,
  finishBatch,
  voidBatch,
  sendQuote,
];
export const commandNamed = (name: string): AnyCommand | null =>
  COMMANDS.find((c) => c.name === currentName(name)) ?? null;
