import { correctRecord } from './book/correct';
import { keepClient } from './grounds/keep-client';
import { keepPlace } from './grounds/keep-place';
import { takeListBack } from './grounds/take-list-back';
import { hangTag } from './grounds/hang-tag';
import { bookOthers } from './grounds/book-others-on-place';
import { offerProperty } from './grounds/offer-property';
import { setSection } from './grounds/set-section';
import { setTask } from './grounds/set-task';
import { settleTask } from './grounds/settle-task';
import { makePlaceCalendar } from './grounds/make-place-calendar';
import { stopPlaceCalendar } from './grounds/end-place-calendar';
import { keepPlan } from './grounds/draw-grounds';
import { bringPlan } from './grounds/bring-grounds';
import { bringTrees } from './grounds/bring-trees';
import { setLikelihood } from './guide/set-likelihood';
import { bringOwn } from './guide/bring-own';
import { keepOwn } from './guide/keep-own';
import { takeBackOwn } from './guide/take-back-own';
import { prefer } from './people/set-preferences';
import { changeOwnPassword } from './people/change-password';
import { makeResetLink } from './people/make-reset-link';
import { makeCalendar } from './people/make-calendar-address';
import { keepCompany } from './people/keep-company';
import { newPerson } from './people/add-person';
import { editPerson } from './people/edit-person';
import { chooseSchools } from './people/choose-schools';
import { keepPrices } from './people/keep-prices';
import { bringReadings } from './season/bring-readings';
import { keepHeatModel } from './season/keep-heat-model';
import { noteSeason } from './season/note-season';
import { withdrawNote } from './season/withdraw-note';
import { endRound } from './practice/end-practice';
import { keepRegion } from './rules/keep-region';
import { signRegion } from './rules/sign-region';
import { endSession } from './people/end-session';
import { signLabel } from './shelf/check-label';
import { putLabelBack } from './shelf/put-label-back';
import { takeLabelOff } from './shelf/take-label-off';
import { bringLabel } from './shelf/bring-label';
import { receiveLot } from './shelf/receive-lot';
import { count } from './shelf/count-stock';
import { keepVessel } from './shelf/keep-vessel';
import { dropVessel } from './shelf/drop-vessel';
import { keepSprayer } from './shelf/keep-sprayer';
import { dropSprayer } from './shelf/drop-sprayer';
import { warnBelow } from './shelf/warn-below';
import { keepEquipment } from './shelf/keep-equipment';
import { dropEquipment } from './shelf/drop-equipment';
import { settleFollowUp } from './tree/settle-visit';
import { remind } from './tree/remind';
import { skip } from './tree/skip-visit';
import { editTree } from './tree/edit-tree';
import { archiveTree } from './tree/archive-tree';
import { finishWork } from './tree/finish-work';
import { revoke } from './tree/take-back-offer';
import { book } from './tree/book';
import { bookRow } from './tree/book-row';
import { decide } from './tree/decide';
import { examine } from './tree/examine';
import { withdraw } from './tree/withdraw-look';
import { send } from './tree/send-sample';
import { answer } from './tree/answer-sample';
import { byOthers } from './tree/book-others-on-tree';
import { answerChange } from './tree/settle-change';
import { keepPhoto } from './tree/keep-photo';
import { measure } from './tree/measure';
import { makePlan } from './tree/plan';
import { planWork } from './tree/plan-work';
import { dropPlan } from './tree/drop-plan';
import { dropPlans } from './tree/drop-plans';
import { followPlans } from './tree/follow-plans';
import { hang } from './hanging/hang';
import { hangAgain } from './hanging/hang-again';
import { hangOvernight } from './hanging/hang-overnight';
import { pullDevices } from './hanging/pull-devices';
import { seeDevices } from './hanging/see-devices';
import { moveLooks } from './tree/move-looks';
import { movePlans } from './tree/move-plans';
import { moveWorks } from './tree/move-works';
import { settleLeftOut } from './tree/settle-left-out';
import { setProgramme } from './tree/set-programme';
import { propose } from './tree/offer';
import { answerLook } from './programme/answer-look';
import { endLaid } from './programme/end-laid';
import { followSeason } from './programme/follow-season';
import { keepProgramme } from './programme/keep-programme';
import { layProgramme } from './programme/lay-programme';
import { leaveOutVisits } from './programme/leave-out-visits';
import { moveVisits } from './programme/move-visits';
import { releaseHolds } from './programme/release-holds';
import { settleLeft } from './programme/settle-left';
import { keepCrew } from './rounds/keep-crew';
import { keepRounds } from './rounds/keep-rounds';
import { noteAway } from './rounds/note-away';
import { tellClient } from './rounds/tell-day';
import { takeBackAway } from './rounds/withdraw-away';
import { beginRound } from './day/begin-round';
import { closeRound } from './day/close-round';
import { leaveUndone } from './day/leave-undone';
import { orderStops } from './day/order-round';
import { putOnRound } from './day/put-on-round';
import { takeBackLeft } from './day/take-back-left';
import { tickLoad } from './day/tick-load';
import { endBatch } from './mix/end-batch';
import { makeBatch } from './mix/make-batch';
import { unmakeBatch } from './mix/unmake-batch';
import type { AnyCommand } from './command';

/** Every verb that writes, by its name: pages, plain HTTP and tests ask for them here. */
export const COMMANDS: readonly AnyCommand[] = [
  correctRecord,
  keepClient,
  keepPlace,
  hangTag,
  bookOthers,
  makePlaceCalendar,
  offerProperty,
  setSection,
  setTask,
  settleTask,
  stopPlaceCalendar,
  keepPlan,
  bringPlan,
  bringTrees,
  setLikelihood,
  keepOwn,
  bringOwn,
  takeBackOwn,
  prefer,
  makeCalendar,
  changeOwnPassword,
  makeResetLink,
  keepCompany,
  newPerson,
  editPerson,
  chooseSchools,
  keepPrices,
  bringReadings,
  keepHeatModel,
  noteSeason,
  withdrawNote,
  endRound,
  keepRegion,
  signRegion,
  signLabel,
  takeLabelOff,
  takeListBack,
  endSession,
  putLabelBack,
  bringLabel,
  receiveLot,
  count,
  keepVessel,
  dropVessel,
  keepSprayer,
  dropSprayer,
  warnBelow,
  keepEquipment,
  dropEquipment,
  settleFollowUp,
  remind,
  skip,
  editTree,
  archiveTree,
  finishWork,
  revoke,
  book,
  bookRow,
  decide,
  examine,
  withdraw,
  send,
  answer,
  byOthers,
  answerChange,
  keepPhoto,
  measure,
  makePlan,
  planWork,
  dropPlan,
  dropPlans,
  followPlans,
  movePlans,
  moveWorks,
  hang,
  seeDevices,
  hangOvernight,
  pullDevices,
  hangAgain,
  moveLooks,
  settleLeftOut,
  setProgramme,
  layProgramme,
  followSeason,
  answerLook,
  endLaid,
  leaveOutVisits,
  moveVisits,
  releaseHolds,
  settleLeft,
  keepProgramme,
  keepCrew,
  noteAway,
  takeBackAway,
  keepRounds,
  tellClient,
  putOnRound,
  orderStops,
  beginRound,
  tickLoad,
  leaveUndone,
  takeBackLeft,
  closeRound,
  makeBatch,
  endBatch,
  unmakeBatch,
  propose,
];
export const commandNamed = (name: string): AnyCommand | null => COMMANDS.find((c) => c.name === name) ?? null;
