import { useState } from 'react';
import { styled } from 'styled-components';
import type { RulesHere, RulesUpdate } from '../../../contract/checking.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import {
  MEASURES,
  type MeasureId,
  type OwnRule,
  type Rule,
  type RuleChange,
} from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlace, useRules } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Heading, Notice, Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { Verdict } from '../../shell/Verdict.tsx';

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
  }
`;

const agesOf = (below: number | null): string =>
  below === null ? 'all ages' : below % 12 === 0 ? `under ${below / 12} years` : `under ${below} months`;
const limitOf = (r: Rule, unit: LengthUnit): string => {
  if (r.limit === null || r.unit === null) return '';
  return r.unit === 'mm' && r.limit >= 1 ? inUnit(`${r.limit} mm`, unit) : `${r.limit} ${r.unit}`;
};

/** What is typed of a change, before it is read. */
interface Draft {
  readonly limit: string;
  readonly below: string;
  readonly verdict: 'stop' | 'care';
  readonly off: 'yes' | 'no';
  readonly remedy: string;
  readonly by: string;
  readonly why: string;
}
const numberOf = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.replace(',', '.'));

/** Reads who and why, which every change must have. */
const lacking = (d: { by: string; why: string }): string | null =>
  d.by.trim() === ''
    ? 'Decided by: expected a name.'
    : d.why.trim().length < 3
      ? 'Reason: expected why it is so here.'
      : null;

/** What the place makes of one rule: its limit, its age, its verdict, or off; always with who and why. */
function ChangeRule({
  rule,
  here,
  onSave,
  onClose,
}: {
  rule: Rule;
  here: RulesHere;
  onSave(next: RulesHere['rules']): void;
  onClose(): void;
}) {
  const before = here.rules.changes.find((c) => c.rule === rule.id);
  const [d, setDraft] = useState<Draft>({
    limit: rule.limit === null ? '' : String(rule.limit),
    below: rule.below === null ? '' : String(rule.below),
    verdict: rule.verdict,
    off: rule.isOff ? 'yes' : 'no',
    remedy: before?.remedy ?? '',
    by: before?.by ?? '',
    why: before?.why ?? '',
  });
  const set = (part: Partial<Draft>): void => setDraft((x) => ({ ...x, ...part }));
  const [problem, setProblem] = useState<string | null>(null);
  const others = here.rules.changes.filter((c) => c.rule !== rule.id);
  const save = (): void => {
    const [limit, below] = [numberOf(d.limit), numberOf(d.below)];
    if (limit !== null && !(limit >= 0)) return setProblem('Limit: expected a number.');
    if (below !== null && !(Number.isInteger(below) && below >= 0 && below <= 216))
      return setProblem('Under, months: expected whole months up to 216.');
    const said = lacking(d);
    if (said) return setProblem(said);
    const change: RuleChange = {
      rule: rule.id,
      off: d.off === 'yes',
      limit: rule.limit === null ? null : limit,
      below: rule.below === null ? null : below,
      verdict: d.verdict,
      remedy: d.remedy.trim() === '' ? null : d.remedy.trim(),
      by: d.by.trim(),
      why: d.why.trim(),
    };
    onSave({ ...here.rules, changes: [...others, change] });
  };
  return (
    <Dialog title={rule.title} isOpen onClose={onClose}>
      <Form onSubmit={save}>
        <Stack>
          <Quiet>
            {rule.source}
            {rule.year === null ? '' : `, ${rule.year}`}. From memory: compare it with your own copy.
          </Quiet>
          <Choice
            label="Is it applied here?"
            value={d.off}
            onChange={(v) => set({ off: v as 'yes' | 'no' })}
            options={[
              { value: 'no', label: 'Applied' },
              { value: 'yes', label: 'Switched off' },
            ]}
          />
          {rule.limit !== null && (
            <TextField
              label="Limit"
              suffix={rule.unit ?? ''}
              inputMode="decimal"
              value={d.limit}
              onChange={(limit) => set({ limit })}
            />
          )}
          {rule.below !== null && (
            <TextField
              label="For children under, months"
              inputMode="numeric"
              value={d.below}
              onChange={(below) => set({ below })}
            />
          )}
          <Choice
            label="Breaking it means"
            value={d.verdict}
            onChange={(v) => set({ verdict: v as 'stop' | 'care' })}
            options={[
              { value: 'stop', label: 'Stop' },
              { value: 'care', label: 'Take care' },
            ]}
          />
          <TextField
            label="What to do then"
            value={d.remedy}
            onChange={(remedy) => set({ remedy })}
            hint={rule.remedy}
          />
          <TextField label="Decided by" value={d.by} onChange={(by) => set({ by })} />
          <TextField label="Reason" value={d.why} onChange={(why) => set({ why })} />
          {problem && <Notice tone="stop">{problem}</Notice>}
          <Row>
            <Button type="submit">Save</Button>
            {before && (
              <Button plain onPress={() => onSave({ ...here.rules, changes: others })}>
                Back as published
              </Button>
            )}
            <Button plain onPress={onClose}>
              Cancel
            </Button>
          </Row>
        </Stack>
      </Form>
    </Dialog>
  );
}

const idOf = (title: string): string =>
  `own-${
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'rule'
  }`;

/** A rule of the place's own: one number of one kind of feature, with a limit on one side. */
function AddRule({
  here,
  onSave,
  onClose,
}: {
  here: RulesHere;
  onSave(next: RulesHere['rules']): void;
  onClose(): void;
}) {
  const [title, setTitle] = useState('');
  const [measure, setMeasure] = useState<MeasureId>('piece longest');
  const [breaks, setBreaks] = useState<'over' | 'under'>('under');
  const [d, setDraft] = useState<Draft>({
    limit: '',
    below: '',
    verdict: 'care',
    off: 'no',
    remedy: '',
    by: '',
    why: '',
  });
  const set = (part: Partial<Draft>): void => setDraft((x) => ({ ...x, ...part }));
  const [problem, setProblem] = useState<string | null>(null);
  const save = (): void => {
    const [limit, below] = [numberOf(d.limit), numberOf(d.below)];
    if (title.trim() === '') return setProblem('Title: expected what it is called.');
    if (limit === null || !(limit >= 0)) return setProblem('Limit: expected a number.');
    if (below !== null && !(Number.isInteger(below) && below >= 0 && below <= 216))
      return setProblem('Under, months: expected whole months up to 216, or nothing for all ages.');
    if (d.remedy.trim() === '') return setProblem('What to do then: expected a remedy.');
    const said = lacking(d);
    if (said) return setProblem(said);
    const id = idOf(title);
    if (here.rules.own.some((r) => r.id === id)) return setProblem('Title: there is a rule of that name.');
    const rule: OwnRule = {
      id,
      title: title.trim(),
      measure,
      breaks,
      limit,
      below,
      verdict: d.verdict,
      remedy: d.remedy.trim(),
      by: d.by.trim(),
      why: d.why.trim(),
    };
    onSave({ ...here.rules, own: [...here.rules.own, rule] });
  };
  return (
    <Dialog title="A rule of your own" isOpen onClose={onClose}>
      <Form onSubmit={save}>
        <Stack>
          <TextField label="Title" value={title} onChange={setTitle} autoFocus />
          <Select
            label="It looks at"
            value={measure}
            onChange={(v) => setMeasure(v as MeasureId)}
            options={Object.entries(MEASURES).map(([value, m]) => ({ value, label: m.label }))}
          />
          <Choice
            label="It is broken"
            value={breaks}
            onChange={(v) => setBreaks(v as 'over' | 'under')}
            options={[
              { value: 'under', label: 'Under the limit' },
              { value: 'over', label: 'Over the limit' },
            ]}
          />
          <TextField
            label="Limit"
            suffix={MEASURES[measure].unit}
            inputMode="decimal"
            value={d.limit}
            onChange={(limit) => set({ limit })}
          />
          <TextField
            label="For children under, months"
            hint="Left empty for all ages"
            inputMode="numeric"
            value={d.below}
            onChange={(below) => set({ below })}
          />
          <Choice
            label="Breaking it means"
            value={d.verdict}
            onChange={(v) => set({ verdict: v as 'stop' | 'care' })}
            options={[
              { value: 'stop', label: 'Stop' },
              { value: 'care', label: 'Take care' },
            ]}
          />
          <TextField label="What to do then" value={d.remedy} onChange={(remedy) => set({ remedy })} />
          <TextField label="Decided by" value={d.by} onChange={(by) => set({ by })} />
          <TextField label="Reason" value={d.why} onChange={(why) => set({ why })} />
          {problem && <Notice tone="stop">{problem}</Notice>}
          <Row>
            <Button type="submit">Add</Button>
            <Button plain onPress={onClose}>
              Cancel
            </Button>
          </Row>
        </Stack>
      </Form>
    </Dialog>
  );
}

/** Every rule that the check goes by, what this place has changed, and who changed what when. */
export function Component() {
  const { data: here, error } = useRules();
  const { data: place } = usePlace();
  const [changing, setChanging] = useState<Rule | null>(null);
  const [adding, setAdding] = useState(false);
  const save = useChange((input: RulesUpdate) => api<RulesHere>('PUT', '/rules', input));
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!here || !place) return <p role="status">Loading the rules …</p>;
  const unit = place.lengthUnit;
  const keep = (rules: RulesHere['rules']): void =>
    save.mutate(
      { ...rules, version: here.version },
      {
        onSuccess: () => {
          setChanging(null);
          setAdding(false);
          say('The rules are saved, with who and why.');
        },
      },
    );
  return (
    <Stack>
      <Heading over={`What the check goes by: ${here.market}`} title="Rules">
        <Button onPress={() => setAdding(true)}>Add a rule</Button>
      </Heading>
      <Notice tone="care">
        Values are from memory of the published texts. Compare them with your own copy, and ask your licensing
        office where you are unsure.
      </Notice>
      {save.error && <Notice tone="stop">{words(save.error)}</Notice>}
      <Panel>
        <List>
          {here.list.map((r) => (
            <li key={r.id}>
              {r.isOff ? <strong>Off</strong> : <Verdict kind={r.verdict} />}
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
                  aria-label={`Take out ${r.title}`}
                >
                  Take out
                </Button>
              ) : (
                <Button small plain onPress={() => setChanging(r)} aria-label={`Change ${r.title}`}>
                  Change
                </Button>
              )}
            </li>
          ))}
        </List>
      </Panel>
      <Panel aria-label="What was changed">
        <h2>What was changed</h2>
        {here.log.length === 0 ? (
          <Quiet>Nothing: the rules are as published.</Quiet>
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
