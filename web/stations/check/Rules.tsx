import { useState } from 'react';
import { styled } from 'styled-components';
import type { RulesHere, RulesUpdate } from '../../../contract/checking.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { Rule } from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace, useRules } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { say } from '../../parts/messages.ts';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { AddRule, ChangeRule } from './RuleForms.tsx';
import { text } from './text.ts';

const List = styled.ul`
  display: grid;
  li {
    display: grid;
    grid-template-columns: 92px minmax(0, 1fr) auto;
    gap: 12px;
    align-items: start;
    padding: 10px 0;
    border-top: 1px dashed var(--seam);
    font-size: 14px;
  }
  li:first-child {
    border-top: 0;
  }
  @media (max-width: 560px) {
    li {
      grid-template-columns: minmax(0, 1fr);
      gap: 6px;
    }
    li > button {
      justify-self: start;
    }
  }
`;

const agesOf = (below: number | null): string =>
  below === null
    ? text('allAges')
    : below % 12 === 0
      ? text('underYears', { below: below / 12 })
      : text('underMonths', { below });
const limitOf = (r: Rule, unit: LengthUnit): string => {
  if (r.limit === null || r.unit === null) return '';
  return r.unit === 'mm' && r.limit >= 1
    ? inUnit(text('mm', { limit: r.limit }), unit)
    : `${r.limit} ${r.unit}`;
};

/** Every rule that the check goes by, what this place has changed, and who changed what when. */
export function Component() {
  const { data: here, error } = useRules();
  const { data: place } = usePlace();
  const [changing, setChanging] = useState<Rule | null>(null);
  const [adding, setAdding] = useState(false);
  const save = useChange((input: RulesUpdate) => api<RulesHere>('PUT', '/rules', input));
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!here || !place) return <p role="status">{text('loadingRules')}</p>;
  const unit = place.lengthUnit;
  const keep = (rules: RulesHere['rules']): void =>
    save.mutate(
      { ...rules, version: here.version },
      {
        onSuccess: () => {
          setChanging(null);
          setAdding(false);
          say(text('rulesSavedWhoWhy'));
        },
      },
    );
  return (
    <Stack>
      <Heading over={text('whatCheckGoes', { market: here.market })} title={text('rules')}>
        <Button onPress={() => setAdding(true)}>{text('addRule')}</Button>
      </Heading>
      <Notice tone="care">{text('valuesFromMemoryPublished')}</Notice>
      {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
      <Panel>
        <List>
          {here.list.map((r) => (
            <li key={r.id}>
              {r.isOff ? <strong>{text('off')}</strong> : <Verdict kind={r.verdict} />}
              <div>
                <h3>{r.title}</h3>
                <p>
                  {[agesOf(r.below), limitOf(r, unit), inUnit(r.remedy, unit)].filter(Boolean).join(' · ')}
                </p>
                <Quiet>
                  {r.source}
                  {r.year === null ? '' : ` (${r.year})`}
                  {r.changed ? `. ${r.changed}` : ''}
                </Quiet>
              </div>
              {r.market === 'own' ? (
                <Button
                  small
                  plain
                  onPress={() => keep({ ...here.rules, own: here.rules.own.filter((o) => o.id !== r.id) })}
                  aria-label={text('takeOut', { title: r.title })}
                >
                  {text('takeOut2')}
                </Button>
              ) : (
                <Button
                  small
                  plain
                  onPress={() => setChanging(r)}
                  aria-label={text('change2', { title: r.title })}
                >
                  {text('change3')}
                </Button>
              )}
            </li>
          ))}
        </List>
      </Panel>
      <Panel aria-label={text('whatWasChanged')}>
        <h2>{text('whatWasChanged')}</h2>
        {here.log.length === 0 ? (
          <Quiet>{text('nothingRulesAsPublished')}</Quiet>
        ) : (
          <List as="ol">
            {here.log.map((l) => (
              <li key={l.id}>
                <span>{shortDay(l.on)}</span>
                <span>
                  {l.what.split(':')[0]}: {l.why}
                </span>
                <span>{l.by}</span>
              </li>
            ))}
          </List>
        )}
      </Panel>
      {changing && (
        <ChangeRule
          key={changing.id}
          rule={changing}
          here={here}
          onSave={keep}
          onClose={() => setChanging(null)}
        />
      )}
      {adding && <AddRule here={here} onSave={keep} onClose={() => setAdding(false)} />}
    </Stack>
  );
}
