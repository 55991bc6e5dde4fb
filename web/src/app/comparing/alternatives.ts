import { Injectable, computed, inject } from '@angular/core';
import { tryChange, type LimitedQuery } from '#core/compare/index';
import { createRecallQuery, listGoodWorks } from '#core/must-finds/index';
import { createSharedDraft } from '#core/compare/draft/index';
import type { Change, Project } from '#core/project/index';
import { FreezeVariant } from '../freezing/freeze-variant';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { say } from '../words/say';

/** Tries changes without making them, and makes the one that is taken. */
@Injectable()
export class Alternatives {
  private readonly open = inject(OpenProject);
  private readonly freezing = inject(FreezeVariant);
  private readonly messages = inject(Messages);

  /** What the draft would be after a change; nothing if it cannot be made. */
  ask(project: Project, change: Change): LimitedQuery | undefined {
    const changed = tryChange(project, change);
    return changed && { root: createSharedDraft(changed.working), limiters: changed.working.limiters };
  }

  /** The works that a change should not lose. */
  readonly goodWorks = computed(() => listGoodWorks(this.open.project()));

  /** As `ask`, within the good works: what of them would be found. */
  askRecall(question: LimitedQuery): LimitedQuery | undefined {
    const works = this.goodWorks();
    if (works.length === 0) return undefined;
    return { root: createRecallQuery(question.root, works), limiters: question.limiters };
  }

  take(change: Change, words: string): void {
    this.open.change(change);
    this.messages.show(say('compare.taken', { words }), () => {
      this.open.undo();
    });
  }

  /** The state before is frozen if it is not, then the change is made and what comes of it is frozen. */
  takeAndFreeze(change: Change, words: string): void {
    this.open.change(change);
    this.freezing.freeze(words, say('compare.takenAfterItWasTried'));
  }
}
