/** The sample company's sign-ins; the sign-in page of the demonstration offers them by one press. */
export const SAMPLE_PASSWORD = 'estuary-and-elms';
export const samplePeople = [
  { name: 'Idris Pellow', email: 'idris@oxmere.example', role: 'arborist', licence: 'ED-2207', units: 'metric' },
  { name: 'Maren Tolgarth', email: 'maren@oxmere.example', role: 'owner', licence: 'ED-1140', units: 'metric' },
  { name: 'Wren Askew', email: 'wren@oxmere.example', role: 'technician', licence: 'ED-3315', units: 'us' },
  { name: 'Oona Varley', email: 'oona@oxmere.example', role: 'office', licence: null, units: 'metric' },
] as const;
