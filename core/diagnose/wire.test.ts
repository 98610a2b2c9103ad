import { hosts, shipped, signsFor } from '@/knowledge';
import { compile } from './model';
import { fromWire, toWire } from './wire';

describe('a model that travels', () => {
  it.each(hosts.map((h, i) => [h.id, 1 + (i % 12)] as const))(
    '%s in month %i: the same to the last figure',
    (id, month) => {
      const host = hosts.find((h) => h.id === id)!;
      const model = compile(shipped, host, { month, presence: {}, nearby: { 'dutch-elm-disease': 1.5 } });
      const signs = signsFor(host);
      expect(fromWire(JSON.parse(JSON.stringify(toWire(model, signs))), signs)).toEqual(model);
    },
  );
  it('refuses a model whose sign does not travel beside it', () => {
    const model = compile(shipped, hosts[0]!, { month: 6 });
    expect(() => toWire(model, [])).toThrow('is not in the list');
  });
});
