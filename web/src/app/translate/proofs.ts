import { Injectable, inject, signal } from '@angular/core';
import type { ProofAnswer } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import { planProof, type ProofPlan } from '#core/proof/index';
import type { Problem } from '#core/problem/index';
import type { QueryNode } from '#core/query/index';
import { WritingAids } from '../counting/writing-aids';
import { Connections } from '../state/connections';

/** How the proof of a rendering stands. The plan and the answer always belong together. */
export type ProofState =
  | { readonly status: 'waiting'; readonly plan: ProofPlan }
  | { readonly status: 'proved'; readonly plan: ProofPlan; readonly answer: ProofAnswer }
  | { readonly status: 'failed'; readonly plan: ProofPlan; readonly problem: Problem };

type Answered = { readonly answer: ProofAnswer } | { readonly problem: Problem };

/** The most answers that are remembered. */
const MAX_KEPT = 200;

/** Proofs of renderings, asked of the databases that have a neutral index and remembered by what was asked. */
@Injectable({ providedIn: 'root' })
export class Proofs {
  private readonly connections = inject(Connections);
  private readonly aids = inject(WritingAids);
  private readonly answers = signal<ReadonlyMap<string, Answered>>(new Map());
  private readonly asked = new Set<string>();
  private readonly plans = new WeakMap<
    QueryNode,
    Map<string, { plan: ProofPlan | undefined; key: string }>
  >();

  /** How the proof stands; nothing where there is nothing to prove. Asks for nothing by itself. */
  look(root: QueryNode, dialect: Dialect): ProofState | undefined {
    const { plan, key } = this.plan(root, dialect);
    if (!plan) return undefined;
    const known = this.answers().get(key);
    if (!known) return { status: 'waiting', plan };
    return 'answer' in known
      ? { status: 'proved', plan, answer: known.answer }
      : { status: 'failed', plan, problem: known.problem };
  }

  /** Asks for the proofs of a query that are not known yet. */
  ask(root: QueryNode, dialects: readonly Dialect[]): void {
    for (const dialect of dialects) {
      const { plan, key } = this.plan(root, dialect);
      if (!plan || this.asked.has(key)) continue;
      this.asked.add(key);
      void this.connections
        .find(dialect.id)
        .ask('proof', plan.request)
        .then((outcome) => {
          const answer = outcome.ok ? { answer: outcome.value } : { problem: outcome.problem };
          this.answers.update((answers) => new Map([...answers, [key, answer] as const].slice(-MAX_KEPT)));
        });
    }
  }

  private plan(root: QueryNode, dialect: Dialect): { plan: ProofPlan | undefined; key: string } {
    const name = `${dialect.id} ${this.aids.countKnown(dialect)}`;
    const plans = this.plans.get(root) ?? new Map<string, { plan: ProofPlan | undefined; key: string }>();
    this.plans.set(root, plans);
    const known = plans.get(name);
    if (known) return known;
    const plan = planProof(root, dialect, this.aids.createSettings(dialect));
    const made = { plan, key: `${dialect.id} ${plan ? JSON.stringify(plan.request) : ''}` };
    plans.set(name, made);
    return made;
  }
}
