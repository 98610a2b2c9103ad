import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import localFont from 'next/font/local';
import { THEME_COOKIE, THEMES } from '@/core/people/looks';
import { currentViewer } from './_server/viewer';
import '@/ui/theme.css';
import { aheadOfMachineS } from '@/store/clock';

const atkinson = localFont({
  src: '../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  variable: '--font-atkinson',
  weight: '200 800',
  display: 'swap',
  preload: true,
});

export const metadata: Metadata = {
  title: { default: 'Elmhorn', template: '%s · Elmhorn' },
  description: 'Examine, dose, treat, record, come back.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#3a3129' };

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const viewer = await currentViewer();
  const kept = (await cookies()).get(THEME_COOKIE)?.value;
  // A phone in the sun and a desk at night look different for the same person.
  const device = THEMES.find((t) => t === kept);
  return (
    <html
      lang="en-GB"
      data-clock-ahead-s={aheadOfMachineS() || undefined}
      data-theme={device ?? viewer?.theme ?? 'light'}
      className={atkinson.variable}
    >
      <body>{children}</body>
    </html>
  );
}
