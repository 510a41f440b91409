import { fitOf } from "../stations/card/fit.ts";
import type { NumberedView } from "../stations/card/numbered-view.server.ts";
import { type PaperKit, paperKit, plain } from "./paper.server.ts";

/** Styles of a card whose lines are so much smaller than usual (1: as usual). */
const stylesOf = ({ StyleSheet }: PaperKit, fit: number) =>
  StyleSheet.create({
    page: { fontFamily: "Archivo", fontSize: 10.5 * fit, padding: 28, color: "#000" },
    head: { flexDirection: "row", justifyContent: "space-between", fontSize: 16, fontWeight: 700 },
    rule: { borderBottomWidth: 1.5, borderBottomColor: "#000", marginVertical: 6 * fit },
    section: { fontWeight: 700, marginTop: 7 * fit, marginBottom: 1.5 * fit },
    line: {
      flexDirection: "row",
      alignItems: "center",
      borderTopWidth: 0.5,
      borderTopColor: "#999",
      paddingVertical: 1.5 * fit,
    },
    label: { flex: 1 },
    figure: { fontSize: 12 * fit, fontWeight: 700, textAlign: "right" },
    unit: { width: 56, paddingLeft: 4 },
    grade: { width: 52, textAlign: "right" },
    code: { width: 54, height: 54 },
    order: { fontSize: 9 },
    foot: { marginTop: 8 * fit, fontSize: 9 },
    outdated: { borderWidth: 1.5, borderColor: "#000", padding: 4, fontWeight: 700 },
  });

/** A numbered card on one A5 page. */
export async function cardPdf(card: NumberedView, qr: string): Promise<Buffer> {
  const kit = await paperKit();
  const { Document, Image, Page, renderToBuffer, Text, View } = kit;
  const { head } = card;
  const styles = stylesOf(kit, fitOf(card));
  return renderToBuffer(
    <Document title={`Card ${card.number}, ${head.name}`} author="Ambrek">
      <Page size="A5" style={styles.page}>
        <View style={styles.head}>
          <View style={styles.label}>
            <Text>{plain(head.name)}</Text>
            <Text>Card {card.number}</Text>
          </View>
          <Image src={qr} style={styles.code} />
        </View>
        <Text>{plain(`${head.tractor} with ${head.implement}`)}</Text>
        <Text>{plain(head.identity)}</Text>
        <Text>{plain(`${card.where}. Issued ${card.issued}.`)}</Text>
        <View style={styles.rule} />
        {card.outdated !== "" && <Text style={styles.outdated}>{plain(card.outdated)}</Text>}
        {card.pages.map(({ page, lines }) => (
          <View key={page}>
            <Text style={styles.section}>{plain(page)}</Text>
            {lines.map(({ position, label, figure, unit, word, grade }) => (
              <View key={position} style={styles.line}>
                <Text style={styles.label}>{plain(label)}</Text>
                <Text style={styles.figure}>{plain(figure)}</Text>
                <Text style={styles.unit}>{plain([unit, word].filter(Boolean).join(" "))}</Text>
                <Text style={styles.grade}>{grade}</Text>
              </View>
            ))}
          </View>
        ))}
        <Text style={styles.section}>In this order</Text>
        <Text style={styles.order}>{card.order.map(({ step }) => step.toLowerCase()).join(" > ")}</Text>
        <Text style={styles.foot}>
          Engine off and the key with you before you go between tractor and tool. The operator's manual comes
          first.
        </Text>
      </Page>
    </Document>,
  );
}
