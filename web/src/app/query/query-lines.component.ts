import { MatButton } from '@angular/material/button';
import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { describeInFull, type Problem } from '#core/problem/index';
import { createBlockName, createBlocks, listBlockNames, type NamedBlock } from '#core/project/index';
import { expandBlocks, listNodes, parseQuery, build } from '#core/query/index';
import { shortenName } from '#core/text/index';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../records/count.component';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { numberLines, readLine } from './line-numbers';
import { QueryDesk, isBroken } from './query-desk';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The query line by line: every concept and block is a numbered line that is searched by itself, and lines are combined by their numbers. */
@Component({
  selector: 'app-query-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CdkDrag,
    CdkDropList,
    CountComponent,
    IconComponent,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    MatButton,
  ],
  templateUrl: './query-lines.component.html',
  styleUrl: './query-lines.component.scss',
})
export class QueryLinesComponent {
  protected readonly open = inject(OpenProject);
  private readonly desk = inject(QueryDesk);
  private readonly counts = inject(Counts);

  readonly renameAsked = output<string>();
  protected readonly shorten = shortenName;
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly refusal = computed(() => {
    const problem = this.problem();
    return problem && describeInFull(problem);
  });
  private readonly names = computed(() => listBlockNames(this.open.working()));
  protected readonly lines = computed(() => {
    const { concepts, blocks, draft } = this.open.working();
    const used = new Set(
      this.names().filter((name) => new RegExp(`@${name}(?![\\p{L}\\p{N}_-])`, 'u').test(draft)),
    );
    const blocksAlone = this.blocksAlone();
    const count = (name: string) => {
      const query = this.desk.pooled(expandBlocks(build.block(name), blocksAlone).root);
      return this.open
        .dialects()
        .map((dialect) => ({ dialect, counted: this.counts.look(query, dialect, this.open.limiters()) }));
    };
    const describeOff = (name: string): string => {
      const off = this.listOff(name);
      if (off.length === 0) return '';
      return off[0] === name
        ? say('query.switchedOffCountedHereLeft')
        : say('query.countsWhichAreSwitchedOff', {
            parts: off.map((one) => `@${one}`).join(', '),
            count: off.length,
          });
    };
    return [
      ...concepts.map((concept, place) => ({
        name: concept.block,
        block: undefined,
        hue: getHueClass(place),
        text: say('query.termsFor', {
          count: concept.terms.filter((term) => !term.off).length,
          name: concept.name,
        }),
        isUsed: used.has(concept.block),
        offWords: describeOff(concept.block),
        cells: count(concept.block),
      })),
      ...blocks.map((block) => ({
        name: block.name,
        block,
        hue: '',
        text: numberLines(block.text, this.names()),
        isUsed: used.has(block.name),
        offWords: describeOff(block.name),
        cells: count(block.name),
      })),
    ].map((line, place) => ({ ...line, number: place + 1 }));
  });

  /** A line is searched by itself, so a concept that is switched off in the draft is searched here all the same. */
  private readonly blocksAlone = computed(() => {
    const { concepts, blocks } = this.open.working();
    return createBlocks({ concepts: concepts.map((concept) => ({ ...concept, off: false })), blocks });
  });

  /** The switched-off concepts that a line comes down to, itself or through other lines. */
  private listOff(name: string, seen: ReadonlySet<string> = new Set()): string[] {
    const { concepts, blocks } = this.open.working();
    const concept = concepts.find(({ block }) => block === name);
    if (concept) return concept.off ? [name] : [];
    const text = seen.has(name) ? undefined : blocks.find((block) => block.name === name)?.text;
    if (text === undefined) return [];
    const inner = listNodes(parseQuery(text).root).flatMap((node) =>
      node.kind === 'block' ? this.listOff(node.name, new Set(seen).add(name)) : [],
    );
    return [...new Set(inner)];
  }

  /** Makes a line of a text in which numbers stand for lines. */
  protected add(field: HTMLInputElement): void {
    const typed = field.value.trim();
    if (typed === '') return;
    const text = readLine(typed, this.names());
    const parsed = parseQuery(text, { blocks: new Set(this.names()) });
    const bad = parsed.problems.find(({ code }) => code === 'mixed-operators' || code === 'unknown-block');
    if (isBroken(parsed) || bad) {
      this.problem.set(bad ?? parsed.problems[0]);
      return;
    }
    this.problem.set(undefined);
    const name = createBlockName(say('query.lineWords', { number: this.names().length + 1 }), this.names());
    this.open.change({ kind: 'add-block', block: { id: this.open.createId(), name, text } });
    field.value = '';
  }

  protected edit(block: NamedBlock, field: HTMLInputElement): void {
    const text = readLine(field.value, this.names());
    if (text !== block.text) this.open.change({ kind: 'edit-block', id: block.id, text });
  }

  protected search(name: string): void {
    this.open.change({ kind: 'rewrite-draft', text: `@${name}` });
  }

  protected remove(block: NamedBlock): void {
    this.open.change({ kind: 'remove-block', id: block.id });
  }

  protected move(block: NamedBlock, step: number): void {
    const { blocks } = this.open.working();
    const to = blocks.indexOf(block) + step;
    if (to >= 0 && to < blocks.length) this.open.change({ kind: 'move-block', id: block.id, to });
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const { concepts, blocks } = this.open.working();
    const block = blocks[previousIndex - concepts.length];
    const to = Math.max(0, currentIndex - concepts.length);
    if (block) this.open.change({ kind: 'move-block', id: block.id, to });
  }
}
