import { soilState, unmeasured } from './air';

it.each([
  // Frozen ground is frozen however wet it is; a twentieth of a degree above, it is told by its water.
  [0, 0.99, 'frozen'],
  [-3, 0.1, 'frozen'],
  [0.1, 0.5, 'moist'],
  [8, 0.951, 'saturated'],
  [8, 0.95, 'sodden'],
  [8, 0.851, 'sodden'],
  [8, 0.85, 'moist'],
  [8, 0.2, 'moist'],
  [8, 0.199, 'dry'],
] as const)('ground of %d °C that holds %d of its water is %s', (soilTemperatureC, soilMoisture, state) =>
  expect(soilState({ soilTemperatureC, soilMoisture })).toBe(state),
);

it('says nothing of ground of which one of the two was not measured', () => {
  expect(soilState(unmeasured('2026-05-01T10:00:00Z'))).toBeNull();
  expect(soilState({ soilTemperatureC: 8, soilMoisture: null })).toBeNull();
  expect(soilState({ soilTemperatureC: null, soilMoisture: 0.5 })).toBeNull();
});
