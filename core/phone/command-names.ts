/** What a phone may write without signal, by the name of its command; all others need the server. */
export const OFFLINE_COMMANDS = [
  'measure-tree',
  'save-inspection',
  'save-diagnosis',
  'plan-treatment',
  'record-treatment',
  'record-treatments',
  'finish-work',
  'install-devices',
  'reinstall-devices',
  'leave-devices-overnight',
  'read-devices',
  'remove-devices',
  'start-day',
  'order-stops',
  'check-load-item',
  'mark-not-done',
  'reopen-not-done',
  'finish-day',
  'make-batch',
  'void-batch',
  'finish-batch',
  'save-photo',
] as const;
export type OfflineCommand = (typeof OFFLINE_COMMANDS)[number];

/**
 * Names that commands had in the release before: a phone that queued a write under one of them is understood for one release.
 * Delete this table in the next.
 */
const FORMER_NAMES: Readonly<Record<string, string>> = {
  'answer-look': 'answer-inspection',
  'begin-round': 'start-day',
  book: 'record-treatment',
  'book-others-on-place': 'record-others-on-site',
  'book-others-on-tree': 'record-others-on-tree',
  'book-row': 'record-treatments',
  'bring-grounds': 'import-site-map',
  'bring-label': 'import-label',
  'bring-own': 'import-custom-entries',
  'bring-readings': 'import-readings',
  'bring-trees': 'import-trees',
  'choose-schools': 'save-practice-policies',
  'close-round': 'finish-day',
  correct: 'amend-record',
  'count-stock': 'adjust-stock',
  decide: 'save-diagnosis',
  'draw-grounds': 'save-site-map',
  'drop-equipment': 'delete-equipment',
  'drop-plan': 'cancel-plan',
  'drop-plans': 'cancel-plans',
  'drop-sprayer': 'delete-sprayer',
  'drop-vessel': 'delete-vessel',
  'end-batch': 'finish-batch',
  'end-laid': 'end-assignment',
  'end-place-calendar': 'delete-site-calendar',
  'end-practice': 'finish-practice',
  examine: 'save-inspection',
  hang: 'install-devices',
  'hang-again': 'reinstall-devices',
  'hang-overnight': 'leave-devices-overnight',
  'hang-tag': 'add-tree',
  'keep-client': 'save-client',
  'keep-crew': 'save-crew',
  'keep-equipment': 'save-equipment',
  'keep-heat-model': 'save-degree-day-model',
  'keep-outfit': 'save-company',
  'keep-own': 'save-custom-entry',
  'keep-photo': 'save-photo',
  'keep-place': 'save-site',
  'keep-prices': 'save-prices',
  'keep-programme': 'save-programme',
  'keep-region': 'save-region',
  'keep-rounds': 'save-schedule',
  'keep-sprayer': 'save-sprayer',
  'keep-vessel': 'save-vessel',
  'lay-programme': 'assign-programme',
  'leave-out-visits': 'skip-visits',
  'leave-undone': 'mark-not-done',
  'make-calendar-address': 'add-calendar-address',
  'make-place-calendar': 'add-site-calendar',
  measure: 'measure-tree',
  'move-looks': 'move-inspections',
  'note-away': 'add-absence',
  'note-season': 'note-stage',
  offer: 'send-quote',
  'offer-property': 'send-site-quote',
  'order-round': 'order-stops',
  plan: 'plan-treatment',
  'pull-devices': 'remove-devices',
  'put-label-back': 'restore-label',
  'put-on-round': 'add-to-day',
  'release-holds': 'override-holds',
  remind: 'add-reminder',
  'see-devices': 'read-devices',
  'set-preferences': 'save-preferences',
  'set-programme': 'set-tree-programme',
  'set-task': 'add-task',
  'settle-left': 'settle-skipped-visits',
  'settle-left-out': 'settle-skipped-trees',
  'settle-visit': 'settle-follow-up',
  'sign-region': 'check-region',
  'take-back-left': 'reopen-not-done',
  'take-back-offer': 'cancel-quote',
  'take-back-own': 'void-custom-entry',
  'take-label-off': 'retire-label',
  'take-list-back': 'void-tree-import',
  'tell-day': 'notify-client',
  'tick-load': 'check-load-item',
  'unmake-batch': 'void-batch',
  'warn-below': 'set-reorder-level',
  'withdraw-away': 'delete-absence',
  'withdraw-look': 'void-inspection',
  'withdraw-note': 'void-stage-note',
};

/** Fields of their inputs that had another name then. */
const FORMER_FIELDS: Readonly<Record<string, string>> = {
  lookId: 'inspectionId',
  placeId: 'siteId',
  placeIds: 'siteIds',
  roundId: 'crewDayId',
};

/** The name by which a command is known now. */
export const currentName = (name: string): string => (Object.hasOwn(FORMER_NAMES, name) ? FORMER_NAMES[name]! : name);

/** An input with the fields by which it is known now, however deep they stand. */
export const currentInput = (input: unknown): unknown => {
  if (Array.isArray(input)) return input.map(currentInput);
  if (typeof input !== 'object' || input === null) return input;
  return Object.fromEntries(
    Object.entries(input).map(([key, value]) => [
      Object.hasOwn(FORMER_FIELDS, key) ? FORMER_FIELDS[key]! : key,
      currentInput(value),
    ]),
  );
};

/** A write as it is known now, whatever release of the app has queued it. */
export const currentWrite = <W extends { verb: string; input?: unknown }>(write: W): W => ({
  ...write,
  verb: currentName(write.verb),
  input: currentInput(write.input),
});
