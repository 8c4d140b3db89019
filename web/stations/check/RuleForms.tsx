import { useState } from 'react';
import type { RulesHere } from '../../../contract/checking.ts';
import {
  appliedRule,
  MEASURES,
  NO_CHANGES,
  type MeasureId,
  type OwnRule,
  type Rule,
  type RuleChange,
} from '../../../core/safety/rules.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { DialogEnd } from '../../parts/DialogEnd.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { text } from './text.ts';

/** What is typed of a rule, before it is read. */
interface Draft {
  readonly limit: string;
  readonly below: string;
  readonly verdict: 'stop' | 'care';
  readonly remedy: string;
  readonly by: string;
  readonly why: string;
}
const numberOf = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.replace(',', '.'));

/** What is wrong with a draft; every change must say who decided it and why. */
function wrongWith(d: Draft): string | null {
  const [limit, below] = [numberOf(d.limit), numberOf(d.below)];
  if (limit !== null && !(limit >= 0)) return text('limitExpectedNumber');
  if (below !== null && !(Number.isInteger(below) && below >= 0 && below <= 216))
    return text('underMonthsExpectedWhole');
  if (d.by.trim() === '') return text('decidedExpectedName');
  return d.why.trim().length < 3 ? text('reasonExpectedWhyHere') : null;
}

/** What every rule has: its limit and age where it has them, what breaking it means, who decided and why. */
function RuleFields({
  draft: d,
  set,
  limitUnit,
  isForAges = true,
  ageHint,
  remedyHint,
}: {
  draft: Draft;
  set(part: Partial<Draft>): void;
  /** Unit of the limit; null for a rule that has none. */
  limitUnit: string | null;
  isForAges?: boolean;
  ageHint?: string;
  remedyHint?: string;
}) {
  return (
    <>
      {limitUnit !== null && (
        <TextField
          label={text('limit2')}
          suffix={limitUnit}
          inputMode="decimal"
          value={d.limit}
          onChange={(limit) => set({ limit })}
        />
      )}
      {isForAges && (
        <TextField
          label={text('childrenUnderMonths')}
          {...(ageHint ? { hint: ageHint } : {})}
          inputMode="numeric"
          value={d.below}
          onChange={(below) => set({ below })}
        />
      )}
      <Choice
        label={text('breakingMeans')}
        value={d.verdict}
        onChange={(v) => set({ verdict: v as 'stop' | 'care' })}
        options={[
          { value: 'stop', label: text('stop') },
          { value: 'care', label: text('takeCare2') },
        ]}
      />
      <TextField
        label={text('whatDoThen')}
        value={d.remedy}
        onChange={(remedy) => set({ remedy })}
        {...(remedyHint ? { hint: remedyHint } : {})}
      />
      <TextField label={text('decided')} value={d.by} onChange={(by) => set({ by })} />
      <TextField label={text('reason')} value={d.why} onChange={(why) => set({ why })} />
    </>
  );
}

interface FormProps {
  readonly here: RulesHere;
  onSave(next: RulesHere['rules']): void;
  onClose(): void;
}

/** What the place makes of one rule: its limit, its age, its verdict, or off; always with who and why. */
export function ChangeRule({ rule, here, onSave, onClose }: FormProps & { readonly rule: Rule }) {
  const before = here.rules.changes.find((c) => c.rule === rule.id);
  const [off, setOff] = useState<'yes' | 'no'>(rule.isOff ? 'yes' : 'no');
  const [d, setDraft] = useState<Draft>({
    limit: rule.limit === null ? '' : String(rule.limit),
    below: rule.below === null ? '' : String(rule.below),
    verdict: rule.verdict,
    remedy: before?.remedy ?? '',
    by: before?.by ?? '',
    why: before?.why ?? '',
  });
  const [problem, setProblem] = useState<string | null>(null);
  const others = here.rules.changes.filter((c) => c.rule !== rule.id);
  const save = (): void => {
    const wrong = wrongWith(d);
    if (wrong) return setProblem(wrong);
    const published = appliedRule(rule.id, here.market, NO_CHANGES);
    if (!published) return;
    // What was left as published goes on following what is published, whatever the market.
    const own = <T,>(value: T, is: T): T | null => (value === is ? null : value);
    const change: RuleChange = {
      rule: rule.id,
      off: off === 'yes',
      limit: rule.limit === null ? null : own(numberOf(d.limit), published.limit),
      below: rule.below === null ? null : own(numberOf(d.below), published.below),
      verdict: own(d.verdict, published.verdict),
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
            {rule.year === null
              ? text('fromMemoryCompareYour', { source: rule.source })
              : text('fromMemoryCompareYourOwn', { source: rule.source, year: rule.year })}
          </Quiet>
          <Choice
            label={text('appliedHere')}
            value={off}
            onChange={(v) => setOff(v as 'yes' | 'no')}
            options={[
              { value: 'no', label: text('applied') },
              { value: 'yes', label: text('switchedOff') },
            ]}
          />
          <RuleFields
            draft={d}
            set={(part) => setDraft((x) => ({ ...x, ...part }))}
            limitUnit={rule.limit === null ? null : (rule.unit ?? '')}
            isForAges={rule.below !== null}
            remedyHint={rule.remedy}
          />
          <DialogEnd problem={problem} yes={text('save')} onClose={onClose}>
            {before && (
              <Button plain onPress={() => onSave({ ...here.rules, changes: others })}>
                {text('backAsPublished')}
              </Button>
            )}
          </DialogEnd>
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
export function AddRule({ here, onSave, onClose }: FormProps) {
  const [title, setTitle] = useState('');
  const [measure, setMeasure] = useState<MeasureId>('piece longest');
  const [breaks, setBreaks] = useState<'over' | 'under'>('under');
  const [d, setDraft] = useState<Draft>({
    limit: '',
    below: '',
    verdict: 'care',
    remedy: '',
    by: '',
    why: '',
  });
  const [problem, setProblem] = useState<string | null>(null);
  const save = (): void => {
    const limit = numberOf(d.limit);
    if (title.trim() === '') return setProblem(text('titleExpectedWhatCalled'));
    if (limit === null) return setProblem(text('limitExpectedNumber'));
    if (d.remedy.trim() === '') return setProblem(text('whatDoThenExpected'));
    const wrong = wrongWith(d);
    if (wrong) return setProblem(wrong);
    const id = idOf(title);
    if (here.rules.own.some((r) => r.id === id)) return setProblem(text('titleThereRuleName'));
    const rule: OwnRule = {
      id,
      title: title.trim(),
      measure,
      breaks,
      limit,
      below: numberOf(d.below),
      verdict: d.verdict,
      remedy: d.remedy.trim(),
      by: d.by.trim(),
      why: d.why.trim(),
    };
    onSave({ ...here.rules, own: [...here.rules.own, rule] });
  };
  return (
    <Dialog title={text('ruleYourOwn')} isOpen onClose={onClose}>
      <Form onSubmit={save}>
        <Stack>
          <TextField label={text('title')} value={title} onChange={setTitle} autoFocus />
          <Select
            label={text('looks')}
            value={measure}
            onChange={(v) => setMeasure(v as MeasureId)}
            options={Object.entries(MEASURES).map(([value, m]) => ({ value, label: m.label }))}
          />
          <Choice
            label={text('broken')}
            value={breaks}
            onChange={(v) => setBreaks(v as 'over' | 'under')}
            options={[
              { value: 'under', label: text('underLimit') },
              { value: 'over', label: text('overLimit') },
            ]}
          />
          <RuleFields
            draft={d}
            set={(part) => setDraft((x) => ({ ...x, ...part }))}
            limitUnit={MEASURES[measure].unit}
            ageHint={text('leftEmptyAllAges')}
          />
          <DialogEnd problem={problem} yes={text('add')} onClose={onClose} />
        </Stack>
      </Form>
    </Dialog>
  );
}
