/** The terms of a draft of five concepts with twelve each, one list for each concept: what contributions are measured on. */
export const SIXTY_TERMS: readonly (readonly string[])[] = [
  'bat bats chiroptera* pipistrel* myotis noctule* flying mammals echolocat* ultraso* roost* forag*',
  'commut* light lights lighting lamp lamps lantern* luminaire* illuminat* street road roads',
  'highway* verge* lit dark night nocturn* dusk hedge* hedgerow* tree* woodland* behavio[u]r',
  'activity avoid* attract* flight* path* corridor* LED sodium mercury dim* warm amber',
  'spectr* colo[u]r blue red white measure* survey* record* detect* model* count* tagged',
].map((row) => row.split(' '));
