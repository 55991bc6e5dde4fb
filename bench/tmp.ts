import { openCollections } from '#server/collections';
import { countStrings } from '#server/counting';
import { createTermQuestions, createSharedDraft } from '#core/compare/index';
import { DIALECTS, writeQuery } from '#core/dialect/index';
const words =
  'bat bats chiroptera* pipistrel* myotis noctule* flying mammals echolocat* ultraso* roost* forag* commut* light lights lighting lamp lamps lantern* luminaire* illuminat* street road roads highway* verge* lit dark night nocturn* dusk hedge* hedgerow* tree* woodland* behavio[u]r activity avoid* attract* flight* path* corridor* LED sodium mercury dim* warm amber spectr* colo[u]r blue red white measure* survey* record* detect* model* camera* thermal'.split(
    ' ',
  );
const cols = await openCollections('dist/demo');
const mk = (salt: string) => ({
  concepts: [0, 1, 2, 3, 4].map((c) => ({
    id: 'c' + c,
    name: 'c' + c,
    block: 'c' + c,
    off: false,
    terms: Array.from({ length: 12 }, (_, t) => {
      const w = words[(c * 12 + t) % words.length]!;
      return { id: `${c}-${t}`, text: t % 4 === 3 ? `"street ${w}"` : t === 11 ? salt : w, off: false };
    }),
  })),
  draft: '@c0 AND @c1 AND (@c2 OR @c3) AND @c4',
});
for (const salt of ['salt', 'sand', 'silt*']) {
  const w = mk(salt);
  const t0 = performance.now();
  const q = createTermQuestions(w);
  const draft = createSharedDraft(w);
  console.log('questions', (performance.now() - t0).toFixed(0));
  for (const d of DIALECTS) {
    const t1 = performance.now();
    const strings = [
      draft,
      ...q.flatMap((c) => [c.whole, ...c.terms.flatMap((t) => [t.finds, t.conceptWithout, t.draftWithout])]),
    ].map((n) => writeQuery(n, d, { limiters: { years: { from: 2000, to: 2026 } } }));
    const t2 = performance.now();
    const ok = strings.filter((s) => s.problems.length === 0);
    const r = countStrings(
      cols.get(d.id)!,
      ok.map((s) => s.text),
      {},
      () => performance.now(),
    );
    const t3 = performance.now();
    console.log(
      d.id,
      'write',
      (t2 - t1).toFixed(0),
      'count',
      (t3 - t2).toFixed(0),
      ok.length,
      'bytes',
      ok.reduce((s, x) => s + x.text.length, 0),
      JSON.stringify(r[0]),
    );
  }
}
