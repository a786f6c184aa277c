import { join } from 'node:path'
import {
  Circle,
  Document,
  Font,
  G,
  Line,
  Page,
  Path,
  Polyline,
  Rect,
  renderToBuffer,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer'
import { create as qrOf } from 'qrcode'
import { certificateWords } from '@/core/job/certificate'
import { foldJob } from '@/core/job/reduce'
import { chargedG, type JobState } from '@/core/job/state'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/server/records'
import { customerWords } from '@/core/prove/proof-history'
import { bottomOf, depthShare, inDepth } from '@/core/pull/strata'
import type { RecordPicture } from '@/core/record/picture'
import { groupedFingerprint } from '@/core/record/signing-key'
import { dateTimeIn } from '@/core/units/clock-text'
import { bothPressures, type Say, sayIn } from '@/core/units/say'
import { eventWords } from '@/core/words/event-words'
import { recordFacts } from '@/core/words/record-words'
import type { CertificateAsked } from './certificate-asked'

const FAMILY = 'Fira Sans Condensed'
let registered = false

/** Our own font files; the format a PDF can hold is the older one of the two the package ships. */
function registerFonts(): void {
  if (registered) return
  const file = (weight: number) =>
    join(
      process.cwd(),
      `node_modules/@fontsource/fira-sans-condensed/files/fira-sans-condensed-latin-${weight}-normal.woff`,
    )
  Font.register({ family: FAMILY, fonts: [400, 600].map((fontWeight) => ({ src: file(fontWeight), fontWeight })) })
  // a long digest or plate is never cut with a hyphen that is not in it
  Font.registerHyphenationCallback((word) => [word])
  registered = true
}

/** The latin file has no other letters: what it lacks is written by its nearest, or as a question mark. */
const NEAREST: Record<string, string> = { '→': '>', '−': '–', '≤': W.atMost, '≥': W.atLeast, '…': '...' }
const printed = (text: string): string =>
  text.replace(
    /[^\u0020-\u00ff\u0152\u0153\u2013\u2014\u2018-\u201a\u201c-\u201e\u2022\u20ac\n]/g,
    (c) => NEAREST[c] ?? '?',
  )

const INK = '#14211f'
const FILLS = { air: '#f0e9d8', needle: '#e7e6d6', drying: '#d6e0d6', deep: '#b3cfc6', floor: '#1f3b38' }
const style = StyleSheet.create({
  page: { fontFamily: FAMILY, fontSize: 10.5, color: INK, padding: 40, paddingBottom: 52 },
  title: { fontSize: 24, fontWeight: 600, lineHeight: 1.1, marginBottom: 5 },
  dim: { color: '#46524f' },
  strong: { fontWeight: 600 },
  rule: { borderBottomWidth: 1.5, borderBottomColor: INK, marginTop: 6, marginBottom: 8 },
  row: { flexDirection: 'row', marginBottom: 2.5 },
  name: { width: 108, color: '#46524f', paddingRight: 8 },
  words: { flex: 1 },
  draft: { backgroundColor: INK, color: '#ffffff', padding: 4, marginBottom: 8, fontWeight: 600 },
  body: { lineHeight: 1.35 },
  foot: { position: 'absolute', left: 40, right: 40, bottom: 22, fontSize: 8.5, color: '#46524f' },
})

type CertificateOf = CertificateAsked & { state: JobState; say: Say; at: (iso: string) => string }

/** The certificate of a job as a PDF: one page for whoever pays, then everything for an inspector. */
export async function certificatePdf(asked: CertificateAsked): Promise<Uint8Array> {
  registerFonts()
  const state = foldJob(asked.events)
  const say = sayIn(asked.units, state.opened.place.barometerPa)
  return renderToBuffer(<Certificate {...asked} state={state} say={say} at={dateTimeIn(asked.timeZone)} />)
}

function Certificate(of: CertificateOf) {
  const { state, shopName } = of
  const { car } = state.opened
  const title = `${car.name}, ${of.at(state.openedAt)}`
  return (
    <Document title={printed(title)} author={printed(shopName)} creator="Yperos" producer="Yperos" language="en">
      <CustomerPage {...of} />
      <InspectorPages {...of} />
    </Document>
  )
}

/** What stands at the foot of every page: outside the body, for a line height above it would leave its number out. */
function Foot({ of }: { of: CertificateOf }) {
  const said = `${of.shopName} · ${of.state.opened.car.name}`
  return (
    <View style={style.foot} fixed>
      <Text
        render={({ pageNumber, totalPages }) => printed(W.pageOfRecoveryVentingPurchase(said, pageNumber, totalPages))}
      />
    </View>
  )
}

function Head({ of }: { of: CertificateOf }) {
  const { state, at, shopName } = of
  const { car, simulated } = state.opened
  return (
    <View>
      {!state.signed && <Text style={style.draft}>{W.notSignedThisIsA}</Text>}
      {simulated && <Text style={style.draft}>{W.onTheSimulatedBenchNo}</Text>}
      <Text style={style.title}>{printed(car.name)}</Text>
      <Text style={style.dim}>
        {printed([car.model, car.plate, shopName, at(state.openedAt)].filter(Boolean).join(' · '))}
      </Text>
      <View style={style.rule} />
    </View>
  )
}

function CustomerPage(of: CertificateOf) {
  const { state, picture, say, at, head, fingerprint, checkUrl } = of
  const { signed } = state
  const inside = chargedG(state)
  return (
    <Page size="A4" style={style.page}>
      <View style={style.body}>
        <Head of={of} />
        <Text style={{ fontSize: 13, marginBottom: 8 }}>{printed(customerWords(state, say))}</Text>
        <DescentDrawn picture={picture} say={say} />
        {picture.charge && <ChargeDrawn charge={picture.charge} say={say} />}
        {picture.proof.length > 0 && <ProofDrawn proof={picture.proof} say={say} />}
        <View style={{ flexDirection: 'row', marginTop: 12 }}>
          <View style={{ flex: 1, paddingRight: 16 }}>
            <Text>
              <Text style={style.strong}>{inside >= 0.5 ? printed(say.mass(inside)) : W.nothingCharged}</Text>
              {inside >= 0.5
                ? printed(W.ofTheLabelAsksFor(state.opened.label.refrigerant, state.opened.label.typed))
                : ''}
            </Text>
            {signed ? (
              <Text>
                {W.signedBy}
                <Text style={style.strong}>{printed(signed.by)}</Text>
                {printed(`, ${certificateWords(signed.certificate)}, ${at(signed.at)}`)}
              </Text>
            ) : (
              <Text>{W.notSignedYet}</Text>
            )}
            <Text style={[style.dim, { fontSize: 8.5, marginTop: 6 }]}>
              {W.theCodeOpensTheCheck(head, groupedFingerprint(fingerprint))}
            </Text>
          </View>
          <QrDrawn text={checkUrl} side={104} />
        </View>
      </View>
      <Foot of={of} />
    </Page>
  )
}

function InspectorPages(of: CertificateOf) {
  const { state, events, say, at } = of
  return (
    <Page size="A4" style={style.page} wrap>
      <View style={style.body}>
        <Head of={of} />
        {recordFacts(state, say, at).map((f) => (
          <View key={f.name + f.words} style={style.row} wrap={false}>
            <Text style={style.name}>{printed(f.name)}</Text>
            <Text style={style.words}>
              {f.strong ? <Text style={style.strong}>{printed(f.strong)}</Text> : ''}
              {printed(f.words)}
            </Text>
          </View>
        ))}
        {state.corrections.map((c) => (
          <View key={c.at + c.is} style={style.row} wrap={false}>
            <Text style={style.name}>{W.corrected}</Text>
            <Text style={style.words}>{printed(W.is(c.was, c.is, c.why, c.by, at(c.at)))}</Text>
          </View>
        ))}
        <Text style={[style.strong, { fontSize: 13, marginTop: 10, marginBottom: 3 }]}>{W.everyEntry}</Text>
        {events.map((e) => (
          <View key={e.id} style={[style.row, { fontSize: 8.5, marginBottom: 1 }]} wrap={false}>
            <Text style={[style.name, { width: 108 }]}>{printed(at(e.happenedAt))}</Text>
            <Text style={style.words}>{printed(eventWords(e))}</Text>
            <Text style={style.dim}>{printed(e.by)}</Text>
          </View>
        ))}
      </View>
      <Foot of={of} />
    </Page>
  )
}

/** Room between the margins of an A4 page, pt. */
const WIDE = 515
const DEEP = 130

function DescentDrawn({ picture, say }: { picture: RecordPicture; say: Say }) {
  const { strata, spans, lines, unread } = picture
  if (spans.length === 0) return <Text style={style.dim}>{W.nothingWasPulledOrHeld}</Text>
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * DEEP
  const layers = inDepth(strata)
  return (
    <Svg width={WIDE} height={DEEP + 30} viewBox={`0 0 ${WIDE} ${DEEP + 30}`}>
      {layers.map((l, i) => {
        const to = layers[i + 1] ? y((layers[i + 1] as { pa: number }).pa) : DEEP
        return (
          <Rect key={l.name} x={0} y={y(l.pa)} width={WIDE} height={Math.max(0, to - y(l.pa))} fill={FILLS[l.name]} />
        )
      })}
      <Line x1={0} x2={WIDE} y1={lines.target * DEEP} y2={lines.target * DEEP} stroke={INK} strokeWidth={1.3} />
      <Line
        x1={0}
        x2={WIDE}
        y1={lines.boils * DEEP}
        y2={lines.boils * DEEP}
        stroke={INK}
        strokeWidth={1.3}
        strokeDasharray="1.5 4"
      />
      <Line x1={0} x2={WIDE} y1={0.7} y2={0.7} stroke={INK} strokeWidth={1.5} />
      {spans.map((s) => (
        <G key={`${s.kind} ${s.n}`}>
          {s.from > 0 ? (
            <Line x1={s.from * WIDE} x2={s.from * WIDE} y1={0} y2={DEEP + 28} stroke={INK} strokeWidth={0.8} />
          ) : (
            <G />
          )}
          {s.points.length > 1 ? (
            <Polyline
              points={s.points.map(([x, d]) => `${(x * WIDE).toFixed(1)},${(d * DEEP).toFixed(1)}`).join(' ')}
              fill="none"
              stroke={INK}
              strokeWidth={s.kind === 'pull' ? 1.6 : 2.4}
            />
          ) : (
            <G />
          )}
          <Text x={s.from * WIDE + 3} y={DEEP + 11} style={{ fontFamily: FAMILY, fontSize: 8.5 }}>
            {printed(`${s.kind} ${s.n}, ${Math.round(s.minutes)} min`)}
          </Text>
          <Text x={s.from * WIDE + 3} y={DEEP + 24} style={{ fontFamily: FAMILY, fontSize: 10, fontWeight: 600 }}>
            {printed([codeWords(s.verdict), s.to - s.from > 0.3 ? s.left : ''].filter(Boolean).join(': '))}
          </Text>
        </G>
      ))}
      <Text x={WIDE - 4} y={lines.target * DEEP - 4} textAnchor="end" style={{ fontFamily: FAMILY, fontSize: 8.5 }}>
        {printed(W.target(say.vacuum(strata.targetPa)))}
      </Text>
      <Text x={WIDE - 4} y={lines.boils * DEEP - 4} textAnchor="end" style={{ fontFamily: FAMILY, fontSize: 8.5 }}>
        {printed(W.waterBoilsBelow(say.vacuum(strata.waterBoilsPa)))}
      </Text>
      <Text x={WIDE / 2} y={DEEP / 2} textAnchor="middle" style={{ fontFamily: FAMILY, fontSize: 11 }}>
        {unread ? W.noReadingsWereKeptOf : ''}
      </Text>
    </Svg>
  )
}

function ChargeDrawn({ charge, say }: { charge: NonNullable<RecordPicture['charge']>; say: Say }) {
  const x = (g: number) => (g / charge.topG) * WIDE
  return (
    <Svg width={WIDE} height={46} viewBox={`0 0 ${WIDE} 46`} style={{ marginTop: 8 }}>
      <Rect x={0} y={14} width={WIDE} height={16} fill={FILLS.air} />
      <Rect x={x(charge.lowG)} y={11} width={x(charge.highG) - x(charge.lowG)} height={22} fill={FILLS.deep} />
      {charge.parts.map((p, i) => (
        <Rect
          key={`${p.id} ${p.fromG}`}
          x={x(p.fromG)}
          y={16}
          width={Math.max(0.5, x(p.toG) - x(p.fromG))}
          height={12}
          fill={i % 2 === 0 ? INK : '#46524f'}
        />
      ))}
      <Line x1={x(charge.targetG)} x2={x(charge.targetG)} y1={8} y2={36} stroke="#b0125c" strokeWidth={1.4} />
      <Text x={0} y={9} style={{ fontFamily: FAMILY, fontSize: 10, fontWeight: 600 }}>
        {printed(W.in2(say.mass(charge.totalG)))}
      </Text>
      <Text x={WIDE} y={44} textAnchor="end" style={{ fontFamily: FAMILY, fontSize: 8.5 }}>
        {printed(W.plannedAllowedTo(say.mass(charge.targetG), say.mass(charge.lowG), say.mass(charge.highG)))}
      </Text>
    </Svg>
  )
}

function ProofDrawn({ proof, say }: { proof: RecordPicture['proof']; say: Say }) {
  const scale = WIDE - 250
  return (
    <View style={{ marginTop: 8 }}>
      {proof.map((row) => (
        <View key={row.key} style={{ flexDirection: 'row', alignItems: 'center', marginBottom: 4 }}>
          <Text style={{ width: 70 }}>{row.name}</Text>
          <Svg width={scale} height={14} viewBox={`0 0 ${scale} 14`}>
            <Rect x={0} y={2} width={scale} height={10} fill={FILLS.air} />
            <Rect
              x={row.band[0] * scale}
              y={0}
              width={(row.band[1] - row.band[0]) * scale}
              height={14}
              fill={FILLS.deep}
            />
            {row.readings.map((r) => (
              <Circle
                key={r.engine}
                cx={r.share * scale}
                cy={7}
                r={4}
                fill={r.engine === 'idle' ? '#ffffff' : INK}
                stroke={INK}
                strokeWidth={1.2}
              />
            ))}
          </Svg>
          <Text style={{ flex: 1, paddingLeft: 8, fontSize: 8.5 }}>
            {printed(
              row.readings
                .map((r) => {
                  const figure = row.key === 'ventC' ? say.celsius(r.value, 1) : bothPressures(r.value, say)
                  return `${figure} ${r.engine === 'idle' ? W.atIdle : W.atSpeed}`
                })
                .join('; '),
            )}
          </Text>
        </View>
      ))}
    </View>
  )
}

/** A code as squares, so that it stays sharp at any size. */
function QrDrawn({ text, side }: { text: string; side: number }) {
  const { modules } = qrOf(text, { errorCorrectionLevel: 'M' })
  const quiet = 2
  const squares = [...modules.data].flatMap((dark, i) =>
    dark ? [`M${(i % modules.size) + quiet} ${Math.floor(i / modules.size) + quiet}h1v1h-1Z`] : [],
  )
  const wide = modules.size + 2 * quiet
  return (
    <Svg width={side} height={side} viewBox={`0 0 ${wide} ${wide}`}>
      <Rect x={0} y={0} width={wide} height={wide} fill="#ffffff" />
      <Path d={squares.join('')} fill="#000000" />
    </Svg>
  )
}
