/** The sheet of a plan, or what else is done at a tree; with the round on which it stands, so that its crew comes back to it. */
export function sheetPath(treeId: string, planId: string | null, crewDayId: string | null): string {
  const asked = new URLSearchParams({ ...(planId && { plan: planId }), ...(crewDayId && { round: crewDayId }) });
  return `/trees/${treeId}/treat${asked.size ? `?${asked}` : ''}${planId ? '' : '#works'}`;
}
