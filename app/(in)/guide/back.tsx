import Link from 'next/link';

/** The way back to the guide, below what stands beside one of its pages. */
export const BackToGuide = () => (
  <p className="mt-4">
    <Link href="/guide" className="underline underline-offset-3">
      Back to the guide
    </Link>
  </p>
);
