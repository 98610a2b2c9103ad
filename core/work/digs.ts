import { gate, type Gate } from '../gates/gate';
import { figure, type UnitSystem } from '../../lib/units/units';
import { type Ask } from './work';

export const services: Ask = {
  key: 'services',
  kind: 'yes',
  name: 'Buried services are located and marked',
  usual: () => false,
};

/** No spade, lance or trench before cables and pipes are marked. */
export const servicesGate = (located: boolean): Gate[] =>
  located
    ? []
    : [
        gate({
          id: 'services-not-located',
          strength: 'stop',
          title: 'Buried services?',
          sentence: 'Nobody has said that cables, gas and water are located and marked here.',
          source: 'duty: locate buried services before any digging or probing',
          satisfy: 'Have them located and marked, and say so.',
          state: 'asked',
        }),
      ];

/** No ring of mulch or compost where its outer edge lies within the clearance to the bark. */
export const ringGate = (ring: object | number | null): Gate[] =>
  ring === null
    ? [
        gate({
          id: 'mulch-ring',
          strength: 'stop',
          title: 'No ring left',
          sentence: 'The outer edge lies within ten centimetres of the bark.',
          source: 'arithmetic',
          satisfy: 'Take it farther out.',
        }),
      ]
    : [];
export const NO_RING = 'The ring ends inside its clearance.';

export const cubic = (m3: number, system: UnitSystem) =>
  system === 'us'
    ? { value: figure(m3 * 1.307950619, 3), unit: 'yd³', text: `${figure(m3 * 1.307950619, 3)} yd³` }
    : { value: figure(m3, 3), unit: 'm³', text: `${figure(m3, 3)} m³` };

export function pair(s: { value: string; unit: string }) {
  return { value: s.value, unit: s.unit };
}
