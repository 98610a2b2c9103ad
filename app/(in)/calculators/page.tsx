import { toolsView } from '@/views/stock';
import { Frame } from '@/ui/frame/frame';
import { viewer } from '../../_server/viewer';
import { Tools } from './tools.client';

export const metadata = { title: 'Calculators' };

export default async function BenchTools() {
  const v = await viewer();
  const { labels, vessels } = await toolsView(v);
  const tag = <p className="text-head leading-tight font-extrabold">Calculators</p>;
  const margin = (
    <section>
      <h2 className="text-body">Nothing here is kept</h2>
      <p className="text-[0.9375rem]">
        These are sums without a tree: no gate looks at the host, the soil or the water. For work on a tree, prescribe
        on the tree.
      </p>
      <p className="mt-3 text-[0.9375rem]">The same sums answer on the command line: npm run -s core -- --help.</p>
      <p className="mt-3 text-[0.9375rem]">
        <a href="/calculators/climates">Climates of the simulated station</a>
      </p>
    </section>
  );
  return (
    <Frame tag={tag} margin={margin} handle="What these are">
      <h1 className="mb-2">One sum at a time</h1>
      <Tools units={v.units} vessels={vessels} labels={labels.map((l) => l.label)} />
    </Frame>
  );
}
