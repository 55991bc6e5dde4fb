import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { subtractExactly } from '#core/count/index';
import { listNearTerms, type Edit } from '#core/must-finds/index';
import { nameTerm } from '#core/outline/index';
import type { Change, MustFind } from '#core/project/index';
import { explainRecords } from '#core/reading/index';
import { nameAuthor } from '#core/record/index';
import { shortenName } from '#core/text/index';
import { readCount } from '../counting/read-count';
import { Alternatives } from '../comparing/alternatives';
import { CompareSubject } from '../comparing/compare-subject';
import { COUNT_TABLE, type CountCell } from '../comparing/count-table.component';
import { CountingBarComponent } from '../comparing/counting-bar.component';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { ConceptLetterComponent } from '../ui/concept-letter.component';
import { formatDifference } from '../ui/number-format';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';
import { MissedRecords } from './missed-records';

/** So many changes are shown first. */
const FIRST_SHOWN = 8;

/** Why a must-find is missed in a database, and what would catch it, each change with what it costs. */
@Component({
  selector: 'app-missed-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ChoiceRowComponent,
    ConceptLetterComponent,
    COUNT_TABLE,
    CountingBarComponent,
    MatButton,
    SayPipe,
  ],
  templateUrl: './missed-panel.component.html',
  styleUrls: ['../comparing/tools.scss', './missed-panel.component.scss'],
})
export class MissedPanelComponent {
  protected readonly subject = inject(CompareSubject);
  protected readonly missed = inject(MissedRecords);
  private readonly open = inject(OpenProject);
  private readonly alternatives = inject(Alternatives);
  private readonly thesauri = inject(ThesaurusStore);

  readonly mustFind = input.required<MustFind>();
  protected readonly showsAll = signal(false);

  private readonly here = computed(() =>
    this.missed.obstacles().filter(({ mustFind }) => mustFind === this.mustFind().id),
  );
  protected readonly isMissed = computed(() => this.here().length > 0);
  protected readonly databases = computed(() =>
    this.here().flatMap(({ database }) => {
      const dialect = this.open.findDialect(database);
      return dialect ? [{ id: database, name: shortenName(dialect), label: dialect.name }] : [];
    }),
  );
  protected readonly database = linkedSignal(() => this.databases()[0]?.id);
  private readonly obstacle = computed(() =>
    this.here().find(({ database }) => database === this.database()),
  );
  private readonly miss = computed(() => this.missed.find(this.mustFind().id, this.database() ?? ''));
  private readonly record = computed(() => this.miss()?.record);
  /** The database whose record is shown, where the one that misses it gives none. */
  protected readonly lent = computed(() => {
    const miss = this.miss();
    if (miss?.lender === undefined) return undefined;
    const nameOf = (id: string): string => this.open.findDialect(id)?.name ?? id;
    return { database: nameOf(miss.database), lender: nameOf(miss.lender) };
  });
  protected readonly title = computed(() => this.record()?.title ?? this.mustFind().title);
  protected readonly about = computed(() => {
    const record = this.record();
    if (!record) return '';
    const [first] = record.authors;
    return [first && nameAuthor(first), record.source, record.year]
      .filter((part) => part !== undefined && part !== '')
      .join(' · ');
  });

  /** How the record meets each concept of the query, and what it has instead. */
  protected readonly concepts = computed(() => {
    const [record, database, obstacle] = [this.record(), this.database(), this.obstacle()];
    if (!record || database === undefined || !obstacle) return [];
    const all = this.subject.state().concepts;
    const used = new Set(this.subject.members().flatMap(({ block }) => block ?? []));
    const active = all.filter(({ off, block }) => !off && used.has(block));
    const failing = new Set(
      obstacle.parts.flatMap((part) =>
        part.kind === 'piece' && part.block !== undefined ? [part.block] : [],
      ),
    );
    const vocabulary = this.thesauri.find(database);
    const [explained = []] = explainRecords([record], active, database, vocabulary);
    const dialects = this.open.dialects();
    return explained.map(({ concept, terms }) => ({
      concept,
      turn: all.indexOf(concept),
      isMet: !failing.has(concept.block),
      terms: terms.map(({ term, places }) => ({
        text: nameTerm(term.text, dialects),
        places: places.length > 0 ? places.join(', ') : say('read.elsewhereInTheRecord'),
      })),
      near: failing.has(concept.block)
        ? listNearTerms(
            record,
            concept,
            active.filter((other) => other !== concept),
            vocabulary,
          ).map(({ text }) => nameTerm(text, dialects))
        : [],
    }));
  });
  /** What else keeps the record out: pieces that are no concept, exclusions and limiters. */
  protected readonly others = computed(() =>
    (this.obstacle()?.parts ?? []).flatMap((part): string[] => {
      if (part.kind === 'limiter') return [say('mustFinds.keptOutByTheLimiter', { limiter: part.words })];
      if (part.kind === 'exclusion') return [say('mustFinds.takenAwayByNot', { words: part.words })];
      return part.block === undefined ? [say('mustFinds.itDoesNotHave', { words: part.words })] : [];
    }),
  );
  protected readonly reasons = computed(() => this.obstacle()?.parts.length ?? 0);

  private readonly helpful = computed(() => {
    const keys = this.obstacle()?.keys ?? [];
    return this.missed
      .edits()
      .filter(({ mends }) => keys.some((key) => mends.has(key)))
      .map((edit) => ({ edit, isEnough: keys.every((key) => edit.mends.has(key)) }))
      .sort((a, b) => Number(b.isEnough) - Number(a.isEnough));
  });
  protected readonly rows = computed(() =>
    this.helpful()
      .slice(0, this.showsAll() ? undefined : FIRST_SHOWN)
      .map(({ edit, isEnough }) => ({
        key: edit.proposal.key,
        edit,
        isEnough,
        changesQuestion: edit.proposal.level === 'question',
        cells: this.count(edit.proposal.change, edit.proposal.words),
      })),
  );
  protected readonly hidden = computed(() => this.helpful().length - this.rows().length);
  protected readonly setRows = computed(() => {
    const { change } = this.missed.smallest();
    if (!change) return [];
    const words = say('mustFinds.withTheseChanges');
    return [{ key: JSON.stringify(change), words, cells: this.count(change, words) }];
  });
  protected readonly asked = computed(() => [
    ...this.rows().flatMap(({ cells }) => cells.map(({ counted }) => counted)),
    ...this.setRows().flatMap(({ cells }) => cells.map(({ counted }) => counted)),
    ...this.subject.dialects().map((dialect) => this.subject.lookWhole(dialect)),
  ]);

  protected take({ proposal }: Edit): void {
    this.alternatives.take(this.rename(proposal.change), proposal.words);
  }

  protected takeAll(freezes: boolean): void {
    const { change, edits } = this.missed.smallest();
    if (!change) return;
    const words = edits.map(({ proposal }) => proposal.words).join('; ');
    if (freezes) this.alternatives.takeAndFreeze(this.rename(change), words);
    else this.alternatives.take(this.rename(change), words);
  }

  /** Terms get ids of their own once they are taken. */
  private rename(change: Change): Change {
    if (change.kind === 'compound')
      return { ...change, changes: change.changes.map((one) => this.rename(one)) };
    if (change.kind !== 'add-terms') return change;
    return { ...change, terms: change.terms.map((term) => ({ ...term, id: this.open.createId() })) };
  }

  /** What the draft would count after a change, in each database, and how much more that is than now. */
  private count(change: Change, words: string): CountCell[] {
    const question = this.alternatives.ask(this.subject.project(), change);
    return this.subject.dialects().map((dialect) => {
      const counted = question && this.subject.look(question, dialect);
      const difference = subtractExactly(readCount(counted), readCount(this.subject.lookWhole(dialect)));
      return {
        dialect,
        counted,
        label: say('shared.in', { name: words, database: dialect.name }),
        ...(difference !== undefined && { note: formatDifference(difference) }),
      };
    });
  }
}
