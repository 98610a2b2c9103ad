/** The one table of who may do what. The server enforces it; the interface mirrors it. */
export const ROLES = ['owner', 'arborist', 'technician', 'office'] as const;
export type Role = (typeof ROLES)[number];

const TABLE = {
  'see the grounds': ['owner', 'arborist', 'technician', 'office'],
  'see gate codes': ['owner', 'arborist', 'technician'],
  'edit grounds': ['owner', 'arborist', 'office'],
  measure: ['owner', 'arborist', 'technician'],
  examine: ['owner', 'arborist'],
  prescribe: ['owner', 'arborist'],
  apply: ['owner', 'arborist', 'technician'],
  correct: ['owner', 'arborist'],
  'plan rounds': ['owner', 'arborist', 'office'],
  'settle a follow-up': ['owner', 'arborist', 'technician', 'office'],
  'keep the shelf': ['owner', 'arborist', 'office'],
  'edit the guide': ['owner', 'arborist'],
  practise: ['owner', 'arborist', 'technician', 'office'],
  'manage people': ['owner'],
} as const satisfies Record<string, readonly Role[]>;

export type Right = keyof typeof TABLE;

export const may = (role: Role, right: Right): boolean => (TABLE[right] as readonly Role[]).includes(role);

/** Who has a right, by their role. */
export const rolesThatMay = (right: Right): readonly Role[] => TABLE[right];

/** Why somebody may not, as a sentence that names who can. */
export function refusal(role: Role, right: Right): string {
  const who = TABLE[right]
    .map((r) => (r === 'office' ? 'the office' : r === 'technician' ? 'a technician' : `an ${r}`))
    .join(' or ');
  return `To ${right} takes ${who}; you are signed in as ${role}.`;
}
export const rightsTable = (): { right: Right; roles: readonly Role[] }[] =>
  (Object.keys(TABLE) as Right[]).map((right) => ({ right, roles: TABLE[right] }));
