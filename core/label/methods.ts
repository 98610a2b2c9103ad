/** How a product reaches the tree; free of schemas, so that the browser can load the names alone. */
export const METHODS = [
  'soil-drench',
  'trunk-injection',
  'soil-injection',
  'bark-spray',
  'foliar-spray',
  'dormant-spray',
  'root-zone-feeding',
  'bait',
  'dust',
  'repellent',
] as const;
export type Method = (typeof METHODS)[number];
export const METHOD_NAMES: Record<Method, string> = {
  'soil-drench': 'Soil drench',
  'trunk-injection': 'Trunk injection',
  'soil-injection': 'Soil injection',
  'bark-spray': 'Bark spray',
  'foliar-spray': 'Foliar spray',
  'dormant-spray': 'Dormant spray',
  'root-zone-feeding': 'Root-zone feeding',
  bait: 'Bait',
  dust: 'Dust',
  repellent: 'Repellent',
};
/** The method of the field guide that a use of a label carries out. */
export const OPTION_OF = {
  'soil-drench': 'soil drench',
  'trunk-injection': 'trunk injection',
  'soil-injection': 'soil injection',
  'bark-spray': 'bark spray',
  'foliar-spray': 'foliar spray',
  'dormant-spray': 'dormant spray',
  'root-zone-feeding': 'feeding',
  bait: 'bait',
  dust: 'dust',
  repellent: 'repellent',
} as const satisfies Record<Method, string>;
type OptionCarriedOut = (typeof OPTION_OF)[Method] | 'infusion';
/** The methods of the field guide that a use of a label carries out: an infusion is an injection by tees. */
export const optionsOf = (method: Method): readonly OptionCarriedOut[] =>
  method === 'trunk-injection' ? ['trunk injection', 'infusion'] : [OPTION_OF[method]];
/** Whether a use of a label by this method carries out an option of the field guide. */
export const carriesOut = (method: Method, option: string): boolean => optionsOf(method).some((o) => o === option);
/** What goes through the air and may drift. */
export const AIRBORNE: readonly Method[] = ['bark-spray', 'foliar-spray', 'dormant-spray', 'dust', 'repellent'];
/** What goes into the ground. */
export const IN_SOIL: readonly Method[] = ['soil-drench', 'soil-injection', 'root-zone-feeding'];
/** What breaks the ground. */
export const PROBES: readonly Method[] = ['soil-injection'];
/** Devices that bring a product into the wood. */
export const DEVICES = ['capsule', 'pressure bottle', 'low-pressure bottle', 'tee infusion'] as const;
export type Device = (typeof DEVICES)[number];
