import Link from 'next/link';

/** The way to the board, where anything hangs. */
export const DevicesOnTrees = ({ devices, trunks }: { devices: number; trunks: number }) =>
  devices > 0 && (
    <p className="no-print mt-3">
      <Link href="/jobs/devices" className="press press-main min-h-14 phone:w-full">
        {devices === 1 ? 'One device hangs' : `${devices} devices hang`} on{' '}
        {trunks === 1 ? 'one trunk' : `${trunks} trunks`}: the board
      </Link>
    </p>
  );
