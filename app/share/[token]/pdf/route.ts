import { isProperty } from '@/core/quotes/property';
import { sharedQuote } from '@/store/quotes';
import { quotePdf } from './offer';

/** The offer as a PDF, for whoever keeps paper. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const p = token.length < 100 ? await sharedQuote(token) : null;
  if (!p)
    return Response.json(
      { issues: [{ path: '', message: 'This offer has run out or was taken back.' }] },
      { status: 404 },
    );
  return new Response(new Uint8Array(await quotePdf(p)), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="offer-${(isProperty(p.data) ? p.data.place : p.data.tag).replace(/[^A-Za-z0-9-]/g, '')}.pdf"`,
      'cache-control': 'no-store',
    },
  });
}
