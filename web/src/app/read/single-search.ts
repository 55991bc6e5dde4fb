import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { describeInFull } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import { Counts } from '../counting/counts';
import { createStringAddress } from '../records/string-address';
import { Messages } from '../ui/messages';
import { ReadSubject } from './read-subject';
import { say } from '../words/say';

/** Searches one thing alone, in the database that is read, without limiters. */
@Injectable()
export class SingleSearch {
  private readonly subject = inject(ReadSubject);
  private readonly counts = inject(Counts);
  private readonly router = inject(Router);
  private readonly messages = inject(Messages);

  /** Reads what a query finds; `label` is what people call it. Says why, if the database cannot search it. */
  read(query: string, label: string): void {
    const dialect = this.subject.dialect();
    if (!dialect || query === '') return;
    const { countKey, state } = this.counts.look(parseQuery(query).root, dialect, {});
    if (!countKey)
      return this.messages.show(
        state.status === 'failed'
          ? describeInFull(state.problem)
          : say('read.cannotSearchByItself', { name: dialect.name, label }),
      );
    const { queryParams, fragment } = createStringAddress(countKey, label);
    void this.router.navigate([], { queryParams, fragment });
  }
}
