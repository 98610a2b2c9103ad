import { Document, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';
import { money } from '@/core/cost/prices';
import { takenNames } from '@/core/proposal/proposal';
import { sharedProposal } from '@/store/proposals';
import { longDay } from '@/ui/words';

const s = StyleSheet.create({
  page: { padding: 48, fontSize: 11, lineHeight: 1.4, color: '#221f1a' },
  head: { fontSize: 22, marginBottom: 8 },
  small: { fontSize: 9, color: '#5b564b' },
  option: { marginTop: 14, paddingTop: 8, borderTop: '1pt solid #221f1a' },
  name: { fontSize: 14, marginBottom: 3 },
  row: { flexDirection: 'row', justifyContent: 'space-between' },
});

/** The offer as a PDF, for whoever keeps paper. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const p = token.length < 100 ? await sharedProposal(token) : null;
  if (!p)
    return Response.json(
      { faults: [{ path: '', sentence: 'This offer has run out or was taken back.' }] },
      { status: 404 },
    );
  const d = p.data;
  const pdf = await renderToBuffer(
    <Document title={`Tree ${d.tag}, ${d.place}`} author={d.outfit}>
      <Page size="A4" style={s.page}>
        <Text style={s.small}>
          {d.outfit} for {d.client}, {d.place}
        </Text>
        <Text style={s.head}>
          Tree {d.tag}, {d.host.toLowerCase()}
        </Text>
        <Text>{d.found}</Text>
        {d.message ? <Text style={{ marginTop: 6 }}>{d.message}</Text> : null}
        <Text style={s.small}>
          Open until {longDay(p.expiresAt.toISOString().slice(0, 10))}. Prices are estimates; the label in hand and
          local rules come first on the day.
        </Text>
        {d.options.map((o, i) => (
          <View key={o.key} style={s.option} wrap={false}>
            <Text style={s.name}>
              {i + 1}. {o.name}
            </Text>
            <Text>{o.what}</Text>
            <View style={s.row}>
              <Text>Now {money(o.now, d)}</Text>
              <Text>
                Over {d.years} years {money(o.overYears, d)}
              </Text>
              <Text>{o.visits}</Text>
            </View>
            <Text>{o.expected}</Text>
            <Text style={s.small}>{o.risks}</Text>
          </View>
        ))}
        {d.changes.map((c) => (
          <View key={c.id} style={s.option} wrap={false}>
            <Text>
              Found while digging: {c.what} {c.price === null ? '' : money(c.price, d)}
            </Text>
          </View>
        ))}
        <Text style={{ marginTop: 24 }}>
          {p.answer
            ? `${p.answer.who} answered: ${takenNames(d, p.answer.options)}.`
            : 'Chosen: ____________   Name: ______________________   Day: ____________'}
        </Text>
      </Page>
    </Document>,
  );
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="offer-${d.tag.replace(/[^A-Za-z0-9-]/g, '')}.pdf"`,
      'cache-control': 'no-store',
    },
  });
}
