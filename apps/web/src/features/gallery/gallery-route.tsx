import { everyKind } from '@semita/core/examples';
import type { QuestionKind } from '@semita/core/question';
import { classColours, classShapes } from '@semita/core/roster';
import { type StopMarkState, stopMarkStates } from '@semita/core/sheet';
import { type ReactNode, useState } from 'react';
import { ApiError } from '../../api/api-error.ts';
import { ConflictChoice } from '../../saving/conflict-choice.tsx';
import { SavedState } from '../../saving/saved-state.tsx';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { CodeSquare } from '../../ui/code-square.tsx';
import { ConfirmName } from '../../ui/confirm-name.tsx';
import { DateTimeField } from '../../ui/date-time-field.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextArea, TextInput } from '../../ui/field.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { HistoryButtons } from '../../ui/history-buttons.tsx';
import { KeyHelp } from '../../ui/key-help.tsx';
import { MaterialIcon } from '../../ui/material-icon.tsx';
import { Menu, MenuItem, MenuLine } from '../../ui/menu.tsx';
import { MoveButtons } from '../../ui/move-buttons.tsx';
import { EmptyPlace, ErrorNotice, Loading, Notice } from '../../ui/notice.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { NumberLanguageSelect } from '../../ui/number-language-select.tsx';
import { Page } from '../../ui/page.tsx';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { TabLink } from '../../ui/tab-link.tsx';
import { useTheme } from '../../ui/theme.ts';
import { TimeZoneSelect } from '../../ui/time-zone-select.tsx';
import { ShownQuestion } from '../question-editor/question-preview.tsx';
import { AnsweredStop } from '../walk/answered-stop.tsx';
import { answered, type Given } from './answered-kinds.ts';

function OpenConfirm() {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button look="danger" onClick={() => setIsOpen(true)}>
        A name is asked for
      </Button>
      {isOpen && (
        <ConfirmName
          title="Delete it"
          description="What goes, and what stays."
          name="8 Amber"
          verb="Delete"
          isPending={false}
          error={null}
          onConfirm={() => setIsOpen(false)}
          onClose={() => setIsOpen(false)}
        />
      )}
    </>
  );
}

function OpenDate() {
  const [date, setDate] = useState('2026-12-03T23:59');
  return (
    <DateTimeField
      label="A date"
      value={date}
      onChange={setDate}
      timeZone="Europe/Stockholm"
      order="dmy"
      usualTime="23:59"
      offers={[{ label: 'In a week', text: 'in 1 week' }]}
    />
  );
}

// For developers, and never in what is built: so its words stand here and not in the catalogues.

/** Every piece of the design system and every kind of question, in every state. */
export function Component() {
  const { theme, toggleTheme } = useTheme();
  return (
    <main className="min-h-dvh bg-paper">
      <Page title="Gallery" actions={<Button onClick={toggleTheme}>{theme === 'dim' ? 'Light' : 'Dim'}</Button>}>
        <Section title="Buttons">
          {(['main', 'plain', 'quiet', 'danger'] as const).flatMap((look) =>
            (['small', 'normal', 'roomy'] as const).map((size) => (
              <Button key={`${look} ${size}`} {...{ look, size }}>
                {look}, {size}
              </Button>
            )),
          )}
          <Button disabled>disabled</Button>
          <FileButton onFile={() => undefined}>A file</FileButton>
          <HistoryButtons canUndo canRedo={false} undo={() => undefined} redo={() => undefined} />
          <KeyHelp groups={[{ title: 'A place', keys: [['?', 'shows this']] }]} />
          <OpenDialog />
          <OpenConfirm />
          <Menu label="More">
            <MenuItem onSelect={() => undefined}>Something</MenuItem>
            <MenuLine />
            <MenuItem onSelect={() => undefined}>Something else</MenuItem>
          </Menu>
          <TabLink to="/gallery">A side</TabLink>
          <TabLink to="/gallery/other">Another</TabLink>
        </Section>
        <Section title="Fields">
          <Field label="A line" help="What helps">
            {(ids) => <TextInput {...ids} defaultValue="Words" />}
          </Field>
          <Field label="A line with a fault" error="What is wrong">
            {(ids) => <TextInput {...ids} />}
          </Field>
          <Field label="Prose">{(ids) => <TextArea {...ids} defaultValue="Several words" />}</Field>
          <Field label="A choice">
            {(ids) => (
              <Select {...ids}>
                <option>One</option>
              </Select>
            )}
          </Field>
          <CheckInput checked onChange={() => undefined}>
            Ticked
          </CheckInput>
          <OpenDate />
          <MoveButtons index={1} count={3} upLabel="Up" downLabel="Down" onMove={() => undefined} />
          <Field label="A number">{(ids) => <NumberInput {...ids} value={20} onNumber={() => undefined} />}</Field>
          <Field label="A clock">{(ids) => <TimeZoneSelect {...ids} current="UTC" defaultValue="UTC" />}</Field>
          <Field label="Numbers">{(ids) => <NumberLanguageSelect {...ids} />}</Field>
        </Section>
        <Section title="Classes">
          {classShapes.map((shape, index) => (
            <ClassMark key={shape} name={shape} shape={shape} colour={classColours[index] ?? 'ink'} />
          ))}
          <CodeSquare text="https://quillhaven.example/join/CDFH2678" label="A square" className="size-24" />
        </Section>
        <Section title="Notices">
          {(['info', 'attention', 'danger'] as const).map((tone) => (
            <Notice key={tone} tone={tone} title={tone}>
              What happened, what was kept and what to do.
            </Notice>
          ))}
          <ErrorNotice error={new ApiError('offline')} onRetry={() => undefined} />
          <ConflictChoice title="Changed somewhere else" help="Whose stands?" onResolve={() => undefined} />
          <EmptyPlace title="Nothing here yet">
            <Button look="main">The first step</Button>
          </EmptyPlace>
          <Loading />
        </Section>
        <Section title="States">
          {(['saved', 'saving', 'offline', 'signedOut', 'refused', 'conflict'] as const).map((saving) => (
            <SavedState key={saving} saving={saving} />
          ))}
          {stopMarkStates.map((state) => (
            <MarkInWords key={state} state={state} />
          ))}
          {[0, 0.4, 1].map((share) => (
            <ProgressBar key={share} share={share} label={`${share * 100} percent`} />
          ))}
          {(['film', 'sound', 'document', 'deck', 'picture'] as const).map((kind) => (
            <MaterialIcon key={kind} kind={kind} />
          ))}
        </Section>
        {(Object.keys(everyKind) as QuestionKind[]).map((kind) => (
          <KindOfQuestion key={kind} kind={kind} />
        ))}
      </Page>
    </main>
  );
}

function Section({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="grid gap-3 border-t border-line pt-4">
      <h2 className="text-22">{title}</h2>
      <div className="flex flex-wrap items-start gap-3">{children}</div>
    </section>
  );
}

function MarkInWords({ state }: { readonly state: StopMarkState }) {
  const mark = { state, earned: 150, possible: 400 };
  return (
    <span className="flex items-center gap-1.5 text-14">
      <StateMark mark={mark} /> {stateWords(mark)}
    </span>
  );
}

function OpenDialog() {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setIsOpen(true)}>A dialog</Button>
      <Dialog open={isOpen} onOpenChange={setIsOpen} title="A dialog">
        <Field label="Its first field">{(ids) => <TextInput {...ids} />}</Field>
      </Dialog>
    </>
  );
}

/** To be answered, answered well, and answered badly. */
function KindOfQuestion({ kind }: { readonly kind: QuestionKind }) {
  return (
    <section aria-label={kind} className="grid gap-3 border-t border-line pt-4">
      <h2 className="text-22">{kind}</h2>
      <div className="grid gap-4 lg:grid-cols-3">
        <ShownQuestion question={everyKind[kind]} />
        {(['right', 'wrong'] as const).map((given) => (
          <Answered key={given} {...{ kind, given }} />
        ))}
      </div>
    </section>
  );
}

const nothing = () => undefined;

function Answered({ kind, given }: { readonly kind: QuestionKind; readonly given: Given }) {
  const [view] = useState(() => answered(kind, given));
  const stop = view?.lesson.parts[0]?.stops[0];
  const stopState = stop && view.state.stops[stop.id];
  if (!stop || !stopState) return <p className="text-14 text-quiet">A teacher marks what is handed in.</p>;
  return (
    <ul>
      <AnsweredStop
        {...{ stop, stopState }}
        place={given}
        results={view.results}
        later={null}
        onRevise={{ draft: nothing, give: nothing }}
        givenTo={nothing}
        assignmentId={null}
      />
    </ul>
  );
}
