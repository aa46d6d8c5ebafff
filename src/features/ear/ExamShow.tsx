import { useStore } from "@nanostores/react";
import { type ReactNode, useState } from "react";
import { familyOf, mode as modeById, USUAL_FAMILIES, FAMILIES } from "@/core/scale";
import { cardsOf, coversModes, QUESTIONS, REGISTERS, TEXTURES } from "@/core/training";
import { $settings, $toSave, openFiles, shelf } from "@/session";
import type { ExamValue } from "@/storage";
import {
  Button,
  Choice,
  FieldRow,
  FileButton,
  HomeField,
  NumberField,
  TitleField,
  Toggle,
} from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { Panel, Saying } from "@/kit/panel";
import { useIncoming } from "@/session/place/useIncoming";
import { useKeys } from "@/session/place/useKeys";
import {
  capital,
  countText,
  EXAM_SAYS,
  examText,
  lackText,
  REGISTER_NAME,
  tuneRefusedText,
  TUNES_SAY,
  familyText,
  modeText,
  EVERY_MODE_COMES,
  NO_TUNE_FITS,
  NOTHING_TO_ASK,
  QUESTION_NAME,
  TEXTURE_NAME,
  modelTuneName,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { EAR, examDocument, flipped, flipQuestion, flipTexture, writeExam } from "./exam";
import { openedExam, withFiles } from "./opened";
import { $shownClass, $shownResult } from "./shown-result";
import { beginExam } from "./run";
import { examTuneValue, lackedBy, MODEL_TUNE, tuneForExam, type TuneOffered, tunesOffered } from "./tunes";
import styles from "./Ear.module.css";

/** An exam put together by hand: what is asked, about which modes, how it is heard, how it goes. */
export function ExamShow({ tabs }: { readonly tabs: ReactNode }) {
  const exam = useStore(examDocument.$value);
  const [refused, setRefused] = useState("");
  const { change } = examDocument;
  const cards = cardsOf(exam);
  const begin = () => cards.length > 0 && beginExam(exam);
  const title = exam.title || "Exam";
  const save = () => $toSave.set({ kind: "exam", title, words: "", exam });
  const takeFile = async (file: File) => {
    const opened = await openedExam(file);
    setRefused("refused" in opened ? opened.refused : "");
    $shownResult.set("result" in opened ? opened.result : undefined);
    if ("exam" in opened) examDocument.open(opened.exam);
  };
  useIncoming(EAR, (files) => {
    const [file, ...others] = files;
    // Results of several pupils are a class.
    if (others.length > 0) void withFiles(undefined, files).then((results) => $shownClass.set(results));
    else if (file) void takeFile(file);
  });
  useKeys("Ear", [
    { key: "Enter", says: "Start the exam", act: begin },
    { key: "k", says: "Save this exam", act: save },
  ]);
  const families = [...new Set(exam.modes.map((id) => familyOf(modeById(id)).id))];
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">An exam of your own</h1>
          <NumberField
            label="Questions"
            value={exam.count}
            least={1}
            most={200}
            unit="questions"
            onChange={(count) => change({ count })}
          />
          <span>on</span>
          <HomeField label="Home" value={exam.home} onChange={(home) => change({ home })} />
          <Toggle isOn={exam.moves} onChange={(moves) => change({ moves })}>
            a new home each time
          </Toggle>
          <Button kind="main" keyName="Enter" disabled={cards.length === 0} onClick={begin}>
            Start
          </Button>
        </div>
        <div className={styles.scroll}>
          <FieldRow name="Questions">
            {QUESTIONS.map((each) => (
              <Toggle
                key={each}
                isOn={exam.questions.includes(each)}
                onChange={() => change(flipQuestion(exam, each))}
              >
                {QUESTION_NAME[each]}
              </Toggle>
            ))}
          </FieldRow>
          {FAMILIES.filter(({ id }) => USUAL_FAMILIES.includes(id) || families.includes(id)).map((family) => (
            <FieldRow key={family.id} name={`Modes of ${familyText(family)}`}>
              {family.modes.map(({ id }) => (
                <Toggle
                  key={id}
                  isOn={exam.modes.includes(id)}
                  onChange={() =>
                    change({ modes: flipped([...new Set([...exam.modes, ...ORDER])], exam.modes, id) })
                  }
                >
                  {capital(modeText(modeById(id)))}
                </Toggle>
              ))}
            </FieldRow>
          ))}
          <FieldRow name="Heard">
            {TEXTURES.map((each) => (
              <Toggle
                key={each}
                isOn={exam.textures.includes(each)}
                onChange={() => {
                  change(flipTexture(exam, each));
                  // Whoever knows a tune by heart hears that one first.
                  const { modelTune } = $settings.get();
                  if (each === "tune" && modelTune && exam.tunes.length === 0)
                    void tuneForExam({ ...modelTune, id: MODEL_TUNE }).then(
                      (made) => made && change({ tunes: [examTuneValue(made)] }),
                    );
                }}
              >
                {TEXTURE_NAME[each]}
              </Toggle>
            ))}
          </FieldRow>
          {exam.textures.includes("tune") && <TunesRow exam={exam} />}
          <FieldRow name="Scales">
            <Choice
              label="Octaves"
              size="small"
              value={exam.octaves === 1 ? "1" : "2"}
              options={[
                { value: "1", text: "one octave" },
                { value: "2", text: "two octaves" },
              ]}
              onChange={(octaves) => change({ octaves: octaves === "1" ? 1 : 2 })}
            />
            <Choice
              label="Direction"
              size="small"
              value={exam.way}
              options={[
                { value: "up", text: "up" },
                { value: "down", text: "down" },
                { value: "both", text: "up and down" },
              ]}
              onChange={(way) => change({ way })}
            />
          </FieldRow>
          <FieldRow name="Register">
            <Choice
              label="Register"
              size="small"
              value={exam.register}
              options={REGISTERS.map((value) => ({ value, text: REGISTER_NAME[value] }))}
              onChange={(register) => change({ register })}
            />
          </FieldRow>
          <FieldRow name="Listening">
            <Choice
              label="How often it may be heard"
              size="small"
              value={String(exam.times)}
              options={[
                { value: "0", text: "as often as you like" },
                { value: "1", text: "once" },
                { value: "2", text: "twice" },
              ]}
              onChange={(times) => change({ times: Number(times) })}
            />
          </FieldRow>
          <FieldRow name="Answers">
            <Choice
              label="When answers are told"
              size="small"
              value={exam.answers}
              options={[
                { value: "each", text: "after each question" },
                { value: "end", text: "at the end" },
              ]}
              onChange={(answers) => change({ answers })}
            />
          </FieldRow>
        </div>
      </div>
      <Panel
        title={title}
        acts={
          <>
            <Button keyName="k" onClick={save}>
              Save
            </Button>
            <Button onClick={() => saveFile("exam.json", writeExam(exam), "application/json")}>Export</Button>
            <FileButton
              label="Exam or result files"
              accept=".json,.csv,application/json,text/csv"
              isMany
              onFiles={(files) => void openFiles(files)}
            >
              Open files
            </FileButton>
          </>
        }
      >
        <p>
          <TitleField value={exam.title} width={22} size="small" onChange={(title) => change({ title })} />
        </p>
        {cards.length === 0 ? (
          <p role="status">{exam.textures.includes("tune") ? NO_TUNE_FITS : NOTHING_TO_ASK}</p>
        ) : (
          <Saying>{`${examText(exam)} ${capital(countText(cards.length, "different question"))}.${coversModes(exam) ? ` ${EVERY_MODE_COMES}` : ""}`}</Saying>
        )}
        <Saying>{EXAM_SAYS}</Saying>
        {refused !== "" && <p role="alert">{refused}</p>}
      </Panel>
    </div>
  );
}

/** Every mode of the families that are offered, in their order. */
const ORDER = FAMILIES.filter(({ id }) => USUAL_FAMILIES.includes(id)).flatMap(({ modes }) =>
  modes.map(({ id }) => id),
);

/** Tunes that an exam has at most, and that are offered beside them. */
const MAX_TUNES = 20;

/** The tunes that questions are heard in, each told with what it lacks. */
function TunesRow({ exam }: { readonly exam: ExamValue }) {
  const { modelTune } = useStore($settings);
  const offered = tunesOffered(useStore(shelf.$saved), modelTune);
  const [refused, setRefused] = useState<string>();
  const { change } = examDocument;
  const titles = new Set(exam.tunes.map(({ title }) => title));
  const others = offered.filter(({ title }) => !titles.has(title));
  const put = async (tune: TuneOffered) => {
    const made = await tuneForExam(tune);
    setRefused(made ? undefined : tune.title);
    const { tunes } = examDocument.$value.get();
    if (made && tunes.length < MAX_TUNES) change({ tunes: [...tunes, examTuneValue(made)] });
  };
  return (
    <FieldRow name="Tunes">
      {exam.tunes.map((tune) => (
        <Toggle
          key={tune.title}
          isOn
          onChange={() => change({ tunes: exam.tunes.filter((each) => each !== tune) })}
        >
          {[tune.title, lackText(lackedBy(tune))].filter((each) => each !== "").join(", ")}
        </Toggle>
      ))}
      {others.slice(0, MAX_TUNES).map((tune) => (
        <Toggle key={tune.id} isOn={false} onChange={() => void put(tune)}>
          {tune.id === MODEL_TUNE ? modelTuneName(tune.title) : tune.title}
        </Toggle>
      ))}
      <small>{TUNES_SAY}</small>
      {refused !== undefined && <small role="alert">{tuneRefusedText(refused)}</small>}
    </FieldRow>
  );
}
