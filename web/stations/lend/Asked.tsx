import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { KitAnswer, Override } from '../../../contract/lending.ts';
import { ROLES } from '../../../contract/people.ts';
import { inUnit } from '../../../core/measure/length.ts';
import { useSession } from '../../data/whoIsHere.ts';
import { api, words } from '../../data/api.ts';
import { usePlace } from '../../data/queries.ts';
import { TextArea, TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Notice, Quiet, Stack } from '../../parts/Panel.tsx';
import { titleOf, Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Reasons = styled.ul`
  display: grid;
  gap: 6px;
  margin: 6px 0 0;
  font-size: 14px;
  line-height: 1.32;
  li {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr);
    gap: 8px;
    align-items: start;
  }
`;

/** What the check says of a kit for a family, or where none is named for the ages that the kit is for. */
export const useAnswer = (kitId: number, borrowerId: number | null) =>
  useQuery({
    queryKey: ['kits', kitId, 'answer', borrowerId],
    queryFn: () =>
      api<KitAnswer>('GET', `/kits/${kitId}/answer${borrowerId === null ? '' : `?borrowerId=${borrowerId}`}`),
    retry: false,
  });

/** Who it was asked for, in words. */
const forWhom = (a: KitAnswer, family: string | null): string =>
  a.isTold
    ? text('youngestMonths', { family: family ?? 'them', youngest: a.youngest })
    : family
      ? text('monthsWhichKitMade', { youngest: a.youngest, family })
      : text('monthsWhichKitMadeFrom', { youngest: a.youngest });

/** The answer first, what stops it in words, the rest behind 'why?'; before a first loan what was not tested. */
export function Asked({
  kitId,
  borrowerId = null,
  family = null,
}: {
  kitId: number;
  borrowerId?: number | null;
  /** Its code name, where one is chosen. */
  family?: string | null;
}) {
  const { data: place } = usePlace();
  const { data, error } = useAnswer(kitId, borrowerId);
  if (error) return <Notice tone="stop">{text('notChecked', { error: words(error) })}</Notice>;
  if (!data) return <Quiet role="status">{text('askingCheck')}</Quiet>;
  const unit = place?.lengthUnit ?? 'mm';
  const stops = data.reasons.filter((r) => r.verdict === 'stop');
  const others = data.reasons.filter((r) => r.verdict !== 'stop');
  const list = (some: KitAnswer['reasons']) => (
    <Reasons>
      {some.map((r) => (
        <li key={`${r.rule} ${r.title} ${r.words}`}>
          <Verdict kind={r.verdict} word="" size={20} />
          <span>
            <b>{titleOf(r)}</b>: {inUnit(r.words, unit)}
          </span>
        </li>
      ))}
    </Reasons>
  );
  return (
    <section aria-label={text('whatCheckSays')}>
      <Stack $gap={6}>
        <div>
          <Verdict kind={data.verdict} /> <Quiet>{forWhom(data, family)}</Quiet>
        </div>
        {stops.length > 0 && list(stops)}
        {others.length > 0 && (
          <Fold>
            <summary>{text('whyTakeCare', { others: others.length })}</summary>
            {list(others)}
          </Fold>
        )}
        {data.hangs.length > 0 && (
          <Notice tone="care">
            <ul aria-label={text('beforeLent')} style={{ display: 'grid', gap: 3 }}>
              {data.hangs.map((h) => (
                <li key={h}>{h}</li>
              ))}
            </ul>
          </Notice>
        )}
        {data.isFirstLoan && data.untested.length > 0 && (
          <Notice tone="care">
            <strong>{text('firstLoanNotTested')}</strong>{' '}
            {data.untested.map((u) => `${u.design} (${u.tests.join(', ')})`).join('; ')}.
          </Notice>
        )}
      </Stack>
    </section>
  );
}

/** A reason as it is written; empty until somebody begins. */
export interface Reason {
  readonly why: string;
  readonly by: string;
}
export const NO_REASON: Reason = { why: '', by: '' };
const LEAST = 10;

/** What is sent of a reason, once it is one. */
export const givenReason = (reason: Reason): { readonly override?: Override } =>
  reason.why.trim().length >= LEAST && reason.by.trim() !== ''
    ? { override: { why: reason.why.trim(), by: reason.by.trim() } }
    : {};
/** The same, where one is needed. */
export const overrideOf = (
  answer: KitAnswer | undefined,
  reason: Reason,
): { readonly override?: Override } => (answer?.verdict === 'stop' ? givenReason(reason) : {});

/** Whether the check stops it and nobody has given a reason yet. */
export const isStopped = (answer: KitAnswer | undefined, reason: Reason): boolean =>
  answer?.verdict === 'stop' && overrideOf(answer, reason).override === undefined;

/** A reason against a stop: only by somebody who may design. */
export function Reasoned({
  value,
  onChange,
  what,
}: {
  value: Reason;
  onChange(reason: Reason): void;
  /** What is asked. */
  what: string;
}) {
  const { data: session } = useSession();
  const person = session?.person ?? null;
  if (person && ROLES.indexOf(person.role) < ROLES.indexOf('designer'))
    return <Notice tone="stop">{text('takeOnlyDesignerOr')}</Notice>;
  const by = person?.name ?? value.by;
  return (
    <Fold>
      <summary>{text('allSameReason')}</summary>
      <Stack $gap={8}>
        <TextArea label={what} value={value.why} most={300} onChange={(why) => onChange({ why, by })} />
        {!person && (
          <TextField
            label={text('decided')}
            value={value.by}
            onChange={(name) => onChange({ ...value, by: name })}
          />
        )}
        <Quiet>{text('leastCharactersStaysOn', { LEAST })}</Quiet>
      </Stack>
    </Fold>
  );
}

/** Lent against a stop: the reason stays on the loan and on its slip. */
export const AgainstTheCheck = ({
  answer,
  ...rest
}: {
  answer: KitAnswer | undefined;
  value: Reason;
  onChange(reason: Reason): void;
}) => (answer?.verdict === 'stop' ? <Reasoned {...rest} what={text('whyMayGoThem')} /> : null);
