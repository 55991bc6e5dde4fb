import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { drawFlow, type Flow, type SearchDocument } from '#core/document/index';
import { formatNumber } from '../ui/number-format';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';
import { RichTextComponent } from './rich-text.component';

/** The documented search as it will be printed. */
@Component({
  selector: 'app-document-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RichTextComponent, SayPipe],
  templateUrl: './document-view.component.html',
  styleUrl: './document-view.component.scss',
})
export class DocumentViewComponent {
  readonly document = input.required<SearchDocument>();
  protected readonly format = formatNumber;
  protected readonly blocks = computed(() =>
    this.document().blocks.map((block) =>
      block.kind === 'flow'
        ? { ...block, drawing: drawFlow(block.flow), words: describeFlow(block.flow) }
        : block,
    ),
  );
}

function describeFlow({ sources, duplicates, works }: Flow): string {
  const from = sources.map(({ name, records }) => `${name} ${formatNumber(records)}`).join(', ');
  return say('logbook.flowInWords', {
    sources: from,
    duplicates: formatNumber(duplicates),
    works: formatNumber(works),
  });
}
