import type { TagsView } from "../stations/hoses/tags-view.ts";
import { type PaperKit, paperKit, plain } from "./paper.server.ts";

const stylesOf = ({ StyleSheet }: PaperKit) =>
  StyleSheet.create({
    page: { fontFamily: "Archivo", fontSize: 10, padding: 24, color: "#000" },
    head: { fontSize: 14, fontWeight: 700, marginBottom: 2 },
    grid: { flexDirection: "row", flexWrap: "wrap", gap: 8, marginTop: 10 },
    tag: {
      width: 172,
      height: 66,
      borderWidth: 1.2,
      borderColor: "#000",
      padding: 5,
      flexDirection: "row",
      gap: 7,
    },
    code: { fontSize: 26, fontWeight: 700, width: 48 },
    words: { flex: 1 },
    name: { fontWeight: 700 },
  });

/** Every tag twice, for both ends of its hose, on A4 to cut out. */
export async function tagsPdf({ title, machines, tags }: TagsView): Promise<Buffer> {
  const kit = await paperKit();
  const { Document, Page, renderToBuffer, Text, View } = kit;
  const styles = stylesOf(kit);
  return renderToBuffer(
    <Document title={title} author="Ambrek">
      <Page size="A4" style={styles.page}>
        <Text style={styles.head}>{plain(title)}</Text>
        <Text>{plain(machines)}</Text>
        <View style={styles.grid}>
          {tags.flatMap(({ key, code, name, way, note }) =>
            ["coupling end", "implement end"].map((end) => (
              <View key={`${key} ${end}`} style={styles.tag} wrap={false}>
                <Text style={styles.code}>{code}</Text>
                <View style={styles.words}>
                  <Text style={styles.name}>{plain(name)}</Text>
                  <Text>{plain(way)}</Text>
                  <Text>{plain(note || end)}</Text>
                </View>
              </View>
            )),
          )}
        </View>
      </Page>
    </Document>,
  );
}
