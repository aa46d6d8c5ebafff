import { strToU8, zipSync } from "fflate";
import { describe, expect, it, test, vi } from "vitest";
import { CATALOGUE, mode } from "@/core/scale";
import {
  chordVoicings,
  derive,
  ENDPOINTS,
  health,
  identify,
  identifyElsewhere,
  reshape,
  unanswered,
  match,
  modes,
  neck,
  openApi,
  parametersOf,
  scales,
  shapes,
} from ".";
import { readNotes, writeTuneMidi, writeTuneXml } from "@/formats";
import { ABC, MIDI, MUSICXML, NDJSON, TUNE_KINDS } from "./media";
import { MAX_BYTES } from "./request";
import { problemAnswer } from "./schemas";

const at = (query: string) => new URL(`http://127.0.0.1/api/v1/${query}`);
const json = async (response: Response | Promise<Response>) => (await response).json() as Promise<unknown>;
/** Part of an answer by its path: "tunes.0.title". */
const part = (answer: unknown, path: string) =>
  path.split(".").reduce<unknown>((each, key) => (each as Record<string, unknown>)[key], answer);
const post = (body: string, kind: string, query = "") =>
  new Request(at(`x${query}`), { method: "POST", body, headers: { "content-type": kind } });

/** What a description says of a body. */
interface Contents {
  readonly content: object;
}

const STAIR = "X:1\nT:Stair\nL:1/8\nK:AMix\nA2 c2 B2 d2|c2 e2 a2 ge|d2 B2 G2 B2|A4 A4|]\n";

describe("GET derive", () => {
  it("answers a mode on a home, whole", async () => {
    expect(await json(derive(at("derive?home=D&mode=dorian")))).toMatchObject({
      home: "D",
      mode: { id: "dorian", name: "Dorian", aliases: ["Dorian mode", "minor ♮6"] },
      parent: { id: "major", tonic: "C", degree: 2 },
      notes: ["D", "E", "F", "G", "A", "B", "C"],
      degrees: ["1", "2", "b3", "4", "5", "6", "b7"],
      semitones: [0, 2, 3, 5, 7, 9, 10],
      steps: [2, 1, 2, 2, 2, 1, 2],
      solfege: {
        home: ["do", "re", "me", "fa", "sol", "la", "te"],
        parent: ["re", "mi", "fa", "sol", "la", "ti", "do"],
      },
      brightness: 0,
      reference: { id: "aeolian", changes: [{ from: "b6", to: "6" }] },
      characteristic: ["6"],
      distinguishing: { sets: [["6"]] },
      full: {
        name: "Dm13",
        notes: ["D", "F", "A", "C", "E", "G", "B"],
        fifths: ["P5", "P5", "P5", "P5", "P5", "P5"],
      },
    });
  });

  it("leads with the neighbours and the vamp that players name", async () => {
    const answer = await json(derive(at("derive?home=D&mode=dorian")));
    expect(part(answer, "brighter.0")).toEqual({ id: "mixolydian", from: "b3", to: "3" });
    expect(part(answer, "darker.0")).toEqual({ id: "aeolian", from: "6", to: "b6" });
    expect(part(answer, "vamps.0")).toEqual(["Dm", "G"]);
    expect(part(answer, "chords.0")).toEqual({
      degree: "1",
      roman: "i",
      triad: "Dm",
      seventh: "Dm7",
      ninth: "Dm9",
      eleventh: "Dm11",
      thirteenth: "Dm13",
      sus2: "Dsus2",
      sus4: "Dsus4",
      sixth: "Dm6",
    });
    expect(part(answer, "full.reduced")).toEqual(["D", "F", "C", "E", "G", "B"]);
    expect(part(answer, "fourths.0")).toEqual({ degree: "1", notes: ["D", "G", "C"], perfect: true });
    expect(part(answer, "chordPairs.0.missing")).toEqual([]);
  });

  test.each([
    ["derive?home=H&mode=dorian", { code: "note-unread", found: "H", expected: "C, F#, Bb" }],
    ["derive?home=D&mode=doriann", { code: "mode-unknown", found: "doriann", expected: "dorian" }],
    ["derive?mode=dorian", { code: "value-unfit", found: "home" }],
    ["derive?home=B%23%23%23%23&mode=dorian", { code: "note-unread" }],
  ])("refuses %s", async (query, error) => {
    const response = derive(at(query));
    expect([response.status, response.headers.get("content-type")]).toEqual([
      400,
      "application/problem+json",
    ]);
    expect(part(await json(response), "errors.0")).toMatchObject(error);
  });
});

describe("GET modes", () => {
  it("answers relatives by tonic and parallels by home", async () => {
    const relative = await json(modes(at("modes?parent=major&tonic=Eb")));
    expect(part(relative, "modes.1")).toMatchObject({ home: "F", mode: { id: "dorian" } });
    const parallel = await json(modes(at("modes?parent=major&home=C")));
    expect(part(parallel, "modes.0")).toMatchObject({
      home: "C",
      mode: { id: "lydian" },
      parent: { tonic: "G" },
    });
  });

  test.each(["modes?parent=major", "modes?parent=major&home=C&tonic=C", "modes?parent=minor7&home=C"])(
    "refuses %s",
    (query) => expect(modes(at(query)).status).toBe(400),
  );
});

describe("GET derive by other conventions", () => {
  const told = async (query: string) => json(derive(at(`derive?home=D&${query}`)));

  it("tells a mode by what is asked", async () => {
    expect(part(await told("mode=dorian&reference=major"), "reference.id")).toBe("ionian");
    expect(part(await told("mode=phrygian-dominant&reference=nearest"), "reference")).toEqual({
      id: "phrygian",
      changes: [{ from: "b3", to: "3" }],
      drop: [],
      add: [],
    });
    expect(part(await told("mode=minor-pentatonic"), "reference")).toMatchObject({
      changes: [],
      drop: ["2", "b6"],
    });
    expect(part(await told("mode=minor-pentatonic&comparison=parent"), "distinguishing.sets")).toEqual([
      ["5"],
    ]);
    expect(part(await told("mode=set-1739"), "mode")).toMatchObject({
      id: "1-b2-b3-sharp4-5-6-b7",
      name: "Dorian ♭2 ♯4",
    });
    expect(derive(at("derive?home=D&mode=dorian&reference=minor")).status).toBe(400);
    expect(derive(at("derive?home=D&mode=set-4")).status).toBe(400);
  });
});

describe("GET scales", () => {
  it("names a set of notes and what is near it", async () => {
    const answer = await json(scales(at("scales?notes=A,B,C,D,E,F%23,G&home=A")));
    expect(answer).toMatchObject({ home: "A", id: "dorian", scales: [{ id: "dorian", name: "Dorian" }] });
    expect(part(answer, "nearest")).toContainEqual({ id: "aeolian", add: ["F"], drop: ["F#"] });
  });

  it("takes the first note for home, and says what is near a set that has no name", async () => {
    const answer = await json(scales(at("scales?notes=Gb%20Abb%20Bbb%20C%20Db%20Eb%20Fb")));
    expect(answer).toMatchObject({
      home: "Gb",
      id: "1-b2-b3-sharp4-5-6-b7",
      scales: [],
      degrees: ["1", "b2", "b3", "#4", "5", "6", "b7"],
    });
    expect(part(answer, "nearest.0")).toEqual({ id: "dorian-flat2", add: ["Cb"], drop: ["C"] });
  });

  test.each([
    ["scales?notes=A,H", "note-unread"],
    ["scales?notes=A,A", "too-few-notes"],
    ["scales?notes=", "too-few-notes"],
    ["scales", "value-unfit"],
    ["scales?notes=C,D&home=X", "note-unread"],
  ])("refuses %s with %s", async (query, code) => {
    const response = scales(at(query));
    expect(response.status).toBe(400);
    expect(part(await json(response), "errors.0.code")).toBe(code);
  });
});

describe("GET shapes", () => {
  it("moves one quality over a bass, as the description has it", async () => {
    const answer = await json(shapes(at("shapes?bass=A&chord=maj9")));
    expect(part(answer, "rows")).toHaveLength(12);
    expect(part(answer, "rows.3")).toEqual({
      root: "C",
      tones: ["C", "E", "G", "B", "D"],
      degrees: ["b3", "5", "b7", "9", "11"],
      modes: ["dorian", "aeolian"],
      outside: [],
      name: "Am11",
    });
  });

  it("moves a fingering, with the frets of each place", async () => {
    const answer = await json(shapes(at("shapes?bass=A&frets=x+3+2+0+0+0")));
    expect(part(answer, "rows.3")).toMatchObject({ root: "C", name: "Am9", frets: [null, 3, 2, 0, 0, 0] });
    expect(part(answer, "rows.5")).toMatchObject({ root: "D", frets: [null, 5, 4, 2, 2, 2] });
    expect(shapes(at("shapes?bass=A&frets=x+3+2")).status).toBe(400);
  });

  it("offers the right place nearest to a wrong one, and the bass in seven modes", async () => {
    const answer = await json(shapes(at("shapes?bass=A&chord=maj9&mode=dorian")));
    expect(part(answer, "rows.1")).toMatchObject({ root: "Bb", right: "C" });
    expect(part(answer, "rows.3.right")).toBeUndefined();
    expect(part(answer, "bassModes")).toHaveLength(7);
    expect(part(answer, "bassModes.0")).toMatchObject({ mode: "lydian", root: "E" });
  });

  it("says what falls outside a mode", async () => {
    const answer = await json(shapes(at("shapes?bass=A&chord=maj7&mode=dorian")));
    expect(part(answer, "rows.2")).toMatchObject({ root: "B", outside: ["D#", "A#"] });
  });

  test.each([
    "shapes?bass=A&chord=xyz",
    "shapes?bass=H&chord=maj9",
    "shapes?bass=A",
    "shapes?bass=A&chord=maj9/E",
  ])("refuses %s", (query) => expect(shapes(at(query)).status).toBe(400));
});

interface Positions {
  readonly strings: readonly string[];
  readonly positions: readonly {
    readonly name: string;
    readonly fromFret: number;
    readonly toFret: number;
    readonly stretchMm: number;
    readonly notes: readonly { string: number; fret: number; finger: number; note: string; degree: string }[];
  }[];
}

describe("GET neck", () => {
  it("answers positions in playing order, lowest first, each pitch once", async () => {
    const answer = (await json(neck(at("neck?home=E&mode=phrygian")))) as Positions;
    expect(answer.strings).toEqual(["E2", "A2", "D3", "G3", "B3", "E4"]);
    const fifth = answer.positions.find(({ notes }) => notes[0]?.note === "A2")!;
    expect(fifth).toMatchObject({ name: "C shape", fromFret: 4, toFret: 8, stretchMm: 106 });
    expect(fifth.notes[0]).toEqual({ string: 6, fret: 5, finger: 1, note: "A2", degree: "4", shift: false });
    expect(fifth.notes.map(({ note }) => note).join(" ")).toBe(
      "A2 B2 C3 D3 E3 F3 G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5",
    );
  });

  it("takes any other strings, a capo, and says which notes are the frame", async () => {
    const cello = (await json(
      neck(at("neck?home=G&mode=lydian&tuning=C2,G2,D3,A3&system=open")),
    )) as Positions;
    expect(cello.positions[0]?.notes.slice(0, 4).map(({ note }) => note)).toEqual(["C#2", "D2", "E2", "F#2"]);
    const capo = (await json(neck(at("neck?home=A&mode=aeolian&capo=5&system=open")))) as Positions;
    expect(capo.positions[0]?.notes[0]).toMatchObject({ fret: 5, finger: 0, note: "A2" });
    const frame = await json(neck(at("neck?home=A&mode=aeolian&system=pentatonic-frame")));
    expect(JSON.stringify(frame)).toContain('"frame":false');
  });

  test.each([
    ["neck?home=E&mode=phrygian&instrument=lute", 400, "instrument-unknown"],
    ["neck?home=E&mode=phrygian&instrument=keyboard", 400, "instrument-unknown"],
    ["neck?home=E&mode=phrygian&tuning=E2,H2", 400, "string-unread"],
    ["neck?home=E&mode=phrygian&tuning=", 400, "string-count"],
    ["neck?home=E&mode=phrygian&system=spiral", 400, "value-unfit"],
    ["neck?home=E&mode=phrygian&capo=99", 400, "value-unfit"],
    [
      "neck?home=E&mode=phrygian&instrument=tenor-banjo&tuning=C1,C3,C5,C7&system=three-per-string",
      422,
      "no-room",
    ],
  ])("refuses %s with %i", async (query, status, code) => {
    const response = neck(at(query));
    expect(response.status).toBe(status);
    expect(((await json(response)) as { errors: { code: string }[] }).errors[0]?.code).toBe(code);
  });
});

describe("GET voicings", () => {
  it("answers fingerings, easiest first, from the lowest string", async () => {
    const answer = (await json(chordVoicings(at("voicings?chord=Em9&most=3")))) as {
      voicings: { frets: (number | null)[]; fingers: (number | null)[]; notes: string[] }[];
    };
    expect(answer.voicings).toHaveLength(3);
    expect(answer.voicings[0]).toMatchObject({
      frets: [0, 2, 0, 0, 0, 2],
      notes: ["E2", "B2", "D3", "G3", "B3", "F#4"],
    });
    const high = await json(chordVoicings(at("voicings?chord=Em9&fromFret=5&toFret=9&most=200")));
    expect(JSON.stringify(high)).toContain("[null,7,5,7,7,7]");
  });

  test.each([
    ["voicings?chord=Exyz", 400, "chord-unread"],
    ["voicings", 400, "value-unfit"],
    ["voicings?chord=C7b9%2311b13&instrument=ukulele", 422, "no-fingering"],
    ["voicings?chord=C&tuning=C2,D2,E2,F2,G2,A2,B2,C3,D3", 422, "too-many-strings"],
  ])("refuses %s with %i", async (query, status, code) => {
    const response = chordVoicings(at(query));
    expect(response.status).toBe(status);
    expect(((await json(response)) as { errors: { code: string }[] }).errors[0]?.code).toBe(code);
  });
});

describe("the description", () => {
  const route: Readonly<Record<string, (url: URL) => Response>> = {
    "/api/v1/derive": derive,
    "/api/v1/modes": modes,
    "/api/v1/scales": scales,
    "/api/v1/shapes": shapes,
    "/api/v1/neck": neck,
    "/api/v1/voicings": chordVoicings,
    "/api/v1/health": health,
  };

  it("has every endpoint, with its parameters and what is required", () => {
    const document = openApi();
    expect(document.openapi).toBe("3.1.0");
    expect(Object.keys(document.paths as object)).toEqual(ENDPOINTS.map(({ path }) => path));
    expect(parametersOf(ENDPOINTS[0]!).map(({ name, required }) => [name, required])).toEqual([
      ["home", true],
      ["mode", true],
      ["reference", false],
      ["comparison", false],
    ]);
    expect(() => JSON.stringify(document)).not.toThrow();
  });

  it("names every media type that comes and goes", () => {
    const { paths } = openApi() as {
      readonly paths: Readonly<
        Record<
          string,
          { readonly post?: { requestBody: Contents; readonly responses: { readonly 200: Contents } } }
        >
      >;
    };
    const kinds = ({ content }: Contents) => Object.keys(content);
    const identify = paths["/api/v1/identify"]?.post;
    const reshape = paths["/api/v1/reshape"]?.post;
    const tunes = [...TUNE_KINDS, "application/json"];
    for (const operation of [identify, reshape]) expect(kinds(operation!.requestBody)).toEqual(tunes);
    expect(kinds(identify!.responses[200])).toEqual(["application/json", NDJSON]);
    expect(kinds(reshape!.responses[200])).toEqual(["application/json", ABC, MUSICXML, MIDI]);
  });

  test.each(ENDPOINTS.filter(({ method }) => method === "get"))(
    "$path answers its example as it says",
    async (endpoint) => {
      const response = route[endpoint.path]!(new URL(endpoint.example, "http://127.0.0.1"));
      expect(response.status).toBe(200);
      expect(endpoint.answer.strict().safeParse(await json(response)).error).toBeUndefined();
    },
  );

  it("holds for every mode of the catalogue and for sets without a name", async () => {
    const [whole] = ENDPOINTS;
    for (const { id } of [...CATALOGUE, mode("set-1739"), mode("set-3"), mode("set-4095")]) {
      const answer = await json(derive(at(`derive?home=Eb&mode=${id}`)));
      expect(whole!.answer.strict().safeParse(answer).error).toBeUndefined();
    }
  });

  it("holds for what is posted, and for what is refused", async () => {
    const answerOf = (path: string) => ENDPOINTS.find((each) => each.path === path)!.answer.strict();
    const matched = await json(match(post(JSON.stringify({ chords: "| Em9 | A13 |" }), "application/json")));
    expect(answerOf("/api/v1/match").safeParse(matched).error).toBeUndefined();
    const identified = await json(
      identify(post(JSON.stringify({ notes: "D4 F A | G F E | D4:3 ||" }), "application/json")),
    );
    expect(answerOf("/api/v1/identify").safeParse(identified).error).toBeUndefined();
    const refused = await json(derive(at("derive?home=H")));
    expect(problemAnswer.strict().safeParse(refused).error).toBeUndefined();
  });
});

describe("POST match", () => {
  const ask = (body: unknown) => match(post(JSON.stringify(body), "application/json"));

  it("reads a chart by one mode and says what decides", async () => {
    const answer = await json(ask({ chords: "| Em9 | A13 |" }));
    expect(part(answer, "chords.1")).toMatchObject({ bar: 2, symbol: "A13", targetNotes: ["C#", "A"] });
    expect(part(answer, "analyses.0")).toMatchObject({
      kind: "one-mode",
      segments: [{ from: 0, to: 1, home: "E", mode: "dorian", outside: [] }],
    });
    expect(part(answer, "deciding.0")).toMatchObject({
      between: [
        { home: "E", mode: "dorian" },
        { home: "E", mode: "aeolian" },
      ],
      note: "C#",
      chord: 1,
      role: "3",
    });
  });

  it("reads numerals from the home that is named", async () => {
    const asked = async (chords: string, home?: string, naming?: string) =>
      part(await json(ask({ chords, home, naming })), "chords") as { symbol: string; tones: string[] }[];
    const symbols = async (chords: string, home?: string) =>
      (await asked(chords, home)).map(({ symbol }) => symbol);
    expect(await symbols("1 6m 4 5", "Gb")).toEqual(["Gb", "Ebm", "Cb", "Db"]);
    expect(await symbols("| i | bVII |", "D#")).toEqual(["D#m", "C#"]);
    // The B of numerals is no B flat, whatever names the rest of a chart has.
    expect((await asked("1 4 5", "E", "german")).map(({ tones }) => tones[0])).toEqual(["E", "A", "B"]);
    // As symbols they stay what they are, and a meter is no chord.
    expect(await symbols("3/4\n| Em | A |", "E")).toEqual(["Em", "A"]);
    expect(await symbols("| Em9 | A13 |", "E")).toEqual(["Em9", "A13"]);
    expect((await ask({ chords: "1 6m 4 5" })).status).toBe(422);
  });

  it("has the analyses of all three kinds, the chart as it is played, and what is set by hand", async () => {
    const answer = await json(ask({ chords: "|: Em9 | A13 :| {D lydian} D/E | {} Em9 |", most: 1 }));
    expect(part(answer, "order")).toEqual([0, 1, 0, 1, 2, 3]);
    expect(part(answer, "chords.0")).toMatchObject({ times: 2, length: 1 });
    expect(part(answer, "analyses.1")).toMatchObject({
      kind: "fewest-changes",
      segments: [
        { from: 0, to: 1, home: "E", mode: "dorian" },
        { from: 2, to: 2, home: "D", mode: "lydian" },
        { from: 3, to: 3, home: "E" },
      ],
    });
    expect(part(answer, "analyses.2")).toMatchObject({ kind: "chord-by-chord" });
    expect(part(answer, "analyses")).toHaveLength(3);
  });

  it("chooses from the scales given, on the home given", async () => {
    const answer = await json(ask({ chords: "Em9 A13", home: "A", scales: ["mixolydian"], most: 1 }));
    expect(part(answer, "analyses")).toHaveLength(3);
    expect(part(answer, "analyses.0")).toMatchObject({ segments: [{ home: "A", mode: "mixolydian" }] });
  });

  it("reads round what it cannot read, and says where it stands", async () => {
    const answer = await json(ask({ chords: "| Em9 |\n| Axq |" }));
    expect(part(answer, "problems.0")).toMatchObject({
      code: "chord-unread",
      line: 2,
      column: 5,
      found: "q",
    });
    expect(part(answer, "analyses.0")).toBeDefined();
  });

  test.each([
    [{ chords: 5 }, 400],
    [{ chords: "Em9", most: 0 }, 400],
    [{ chords: "Em9", scales: ["nope"] }, 400],
    [{ chords: "Em9", extra: true }, 400],
    [{ chords: "" }, 422],
    [{ chords: "| qqq |" }, 422],
  ])("refuses %j with %i", async (body, status) => expect((await ask(body)).status).toBe(status));

  it("refuses other kinds and broken JSON", async () => {
    expect((await match(post("Em9", "text/plain"))).status).toBe(415);
    expect((await match(post("{", "application/json"))).status).toBe(400);
  });
});

describe("POST identify", () => {
  it("answers the mode of each ABC tune", async () => {
    const answer = await json(
      identify(post(STAIR + "\n" + STAIR.replaceAll("Stair", "Again"), "text/vnd.abc")),
    );
    expect(part(answer, "tunes")).toHaveLength(2);
    expect(part(answer, "tunes.0")).toMatchObject({
      title: "Stair",
      notes: ["A", "B", "C#", "D", "E", "F#", "G"],
    });
    expect(part(answer, "tunes.0.candidates.0")).toMatchObject({
      home: "A",
      mode: "mixolydian",
    });
  });

  it("answers typed notes, with what is undecided", async () => {
    const notes = "D4 F A | G F E | F A C5 | A F E | D4:3 ||";
    const answer = await json(identify(post(JSON.stringify({ notes }), "application/json")));
    expect(part(answer, "tunes.0")).toMatchObject({
      undecided: [
        {
          degree: "6",
          forms: [
            { degree: "b6", modes: ["aeolian"] },
            { degree: "6", modes: ["dorian"] },
          ],
        },
      ],
    });
  });

  it("says where ABC is broken, and reads the rest", async () => {
    const answer = await json(
      identify(post(STAIR.replace("c2 e2", "c2 $ e2"), "text/vnd.abc; charset=utf-8")),
    );
    expect(part(answer, "problems.0")).toMatchObject({ code: "abc-unread", line: 5, found: "$" });
    expect(part(answer, "tunes")).toHaveLength(1);
  });

  it("takes a home set by hand", async () => {
    const answer = await json(identify(post(STAIR, "text/vnd.abc", "?home=D")));
    const candidates = part(answer, "tunes.0.candidates") as { home: string }[];
    expect(candidates.every(({ home }) => home === "D")).toBe(true);
  });

  it("answers MusicXML and MIDI, whatever the type said of them", async () => {
    const tune = readNotes("A4 C#5 B4 D5 | C#5 E5 A5:1.5 G5:0.5 | D5 B4 G4 B4 | A4:2 A4:2 ||").value;
    const xml = await writeTuneXml(tune);
    const midi = await writeTuneMidi(tune, 90);
    const score = "application/vnd.recordare.musicxml+xml";
    for (const [body, kind] of [
      [xml, score],
      [midi, "audio/midi"],
      [midi, score],
    ] as const) {
      const request = new Request(at("x"), { method: "POST", body, headers: { "content-type": kind } });
      const answer = await json(identify(request));
      expect(part(answer, "tunes.0.candidates.0")).toMatchObject({ home: "A", mode: "mixolydian" });
    }
  });

  it("has one entry a tune, without candidates where there are no notes", async () => {
    const answer = await json(identify(post(`${STAIR}\nX:2\nT:Rests\nK:C\nz4|\n\n${STAIR}`, "text/vnd.abc")));
    expect(part(answer, "tunes.1")).toMatchObject({ title: "Rests", candidates: [] });
    expect(part(answer, "tunes")).toHaveLength(3);
    expect(part(answer, "problems.0")).toMatchObject({ code: "no-notes", line: 7 });
  });

  it("has all tunes of a body in an encoding whose tunes cannot be told apart by bytes", async () => {
    const text = `\ufeff${STAIR}\n${STAIR.replace("Stair", "Again")}`;
    const body = new Uint8Array(Uint16Array.from(text, (letter) => letter.charCodeAt(0)).buffer);
    const request = new Request(at("x"), {
      method: "POST",
      body,
      headers: { "content-type": "text/vnd.abc" },
    });
    const answer = await json(identify(request));
    expect([part(answer, "tunes.0.title"), part(answer, "tunes.1.title")]).toEqual(["Stair", "Again"]);
  });

  it("streams a line for each tune while the body is still coming in", async () => {
    const encoder = new TextEncoder();
    let sent = 0;
    const body = new ReadableStream<Uint8Array>(
      {
        pull(controller) {
          sent += 1;
          if (sent > 300) controller.close();
          else controller.enqueue(encoder.encode(STAIR.replace("Stair", `Stair ${sent}`)));
        },
      },
      { highWaterMark: 0 },
    );
    const request = new Request(at("x"), {
      method: "POST",
      body,
      duplex: "half",
      headers: { "content-type": "text/vnd.abc", accept: "application/x-ndjson" },
    } as RequestInit);
    const response = await identifyElsewhere(request);
    expect(response.headers.get("content-type")).toBe("application/x-ndjson");
    const reader = response.body!.getReader();
    const first = await reader.read();
    expect(JSON.parse(new TextDecoder().decode(first.value))).toMatchObject({
      title: "Stair 1",
      problems: [],
    });
    expect(sent).toBeLessThan(10);
    let lines = 1;
    for (let next = await reader.read(); !next.done; next = await reader.read()) lines += 1;
    expect(lines).toBe(300);
  });

  test.each([
    ["", "text/vnd.abc", 422],
    ["X:1\nK:C\nz4|\n", "text/vnd.abc", 422],
    ['{"notes":""}', "application/json", 422],
    ['{"notes":"A4","home":"H"}', "application/json", 400],
    ["[]", "application/json", 400],
    ["MThd", "audio/midi", 422],
    ["<score-partwise/>", "application/vnd.recordare.musicxml+xml", 422],
    ["MThd", "image/png", 415],
    ["a".repeat(MAX_BYTES + 1), "text/vnd.abc", 413],
  ])("refuses %.20s as %s with %i", async (body, kind, status) => {
    expect((await identify(post(body, kind))).status).toBe(status);
  });
});

describe("POST reshape", () => {
  const asked = (query: string, accept = "application/json", body = STAIR) =>
    reshape(
      new Request(`http://x/api/v1/reshape${query}`, {
        method: "POST",
        body,
        headers: { "content-type": "text/vnd.abc", accept },
      }),
    );

  it("puts a tune into another mode, over chords of it", async () => {
    const answer = (await (await asked("?to=aeolian")).json()) as Record<string, unknown>;
    const endpoint = ENDPOINTS.find(({ path }) => path === "/api/v1/reshape")!;
    expect(endpoint.answer.strict().safeParse(answer).error).toBeUndefined();
    expect(answer).toMatchObject({
      tune: { from: { home: "A", mode: "mixolydian" }, to: { home: "A", mode: "aeolian" } },
    });
    const { abc, changes } = (answer as { tune: { abc: string; changes: { from: string; to: string }[] } })
      .tune;
    expect(changes[0]).toMatchObject({ from: "C#5", to: "C5", chromatic: false });
    // What is answered is heard as what was asked for.
    const heard = (await (await identify(post(abc, "text/vnd.abc"))).json()) as {
      tunes: { candidates: { home: string; mode: string }[] }[];
    };
    expect(heard.tunes[0]!.candidates[0]).toMatchObject({ home: "A", mode: "aeolian" });
  });

  it("keeps the notes and moves home where that is asked for", async () => {
    const answer = (await (await asked("?to=dorian&way=relative&chords=none")).json()) as object;
    expect(answer).toMatchObject({ tune: { to: { home: "E", mode: "dorian" }, chords: [] } });
  });

  it.each([
    ["text/vnd.abc", /^X:1/u, "text/vnd.abc; charset=utf-8"],
    [
      "application/vnd.recordare.musicxml+xml",
      /score-partwise/u,
      "application/vnd.recordare.musicxml+xml; charset=utf-8",
    ],
    ["audio/midi", /^MThd/u, "audio/midi"],
  ])("answers %s", async (accept, begins, kind) => {
    const response = await asked("?to=lydian&parts=strings", accept);
    expect(response.headers.get("content-type")).toBe(kind);
    expect(await response.text()).toMatch(begins);
  });

  it.each([
    ["", STAIR, 400],
    ["?to=lidian", STAIR, 400],
    ["?to=lydian&pedal=maybe", STAIR, 400],
    ["?to=altered&way=relative", STAIR, 422],
    ["?to=lydian", "X:1\nT:Rests\nK:C\nz4|", 422],
  ])("refuses %s", async (query, body, status) => {
    const response = await asked(query, "application/json", body);
    expect(response.status).toBe(status);
    expect(response.headers.get("content-type")).toContain("application/problem+json");
  });
});

describe("what could stop the server", () => {
  it("says that it is well, which method an endpoint takes, and what there is not", async () => {
    expect(await health().json()).toMatchObject({ status: "ok" });
    const refused = unanswered("GET", "/api/v1/match")!;
    expect([refused.status, refused.headers.get("allow")]).toEqual([405, "POST"]);
    expect(unanswered("GET", "/api/v1/nothing")!.status).toBe(404);
    expect(unanswered("GET", "/derive")).toBeUndefined();
  });

  it("gives up on a body that doesn't arrive, and on a sender that leaves", async () => {
    vi.useFakeTimers();
    const sent = (body: ReadableStream<Uint8Array>) =>
      match(
        new Request(at("match"), {
          method: "POST",
          body,
          duplex: "half",
          headers: { "content-type": "application/json" },
        } as RequestInit),
      );
    const start = new TextEncoder().encode('{"chords":');
    const slow = sent(new ReadableStream({ start: (controller) => controller.enqueue(start) }));
    await vi.advanceTimersByTimeAsync(31_000);
    vi.useRealTimers();
    expect((await slow).status).toBe(408);
    const gone = sent(new ReadableStream({ start: (controller) => controller.error(new Error("gone")) }));
    expect((await gone).status).toBe(400);
  });

  /** Bodies that took seconds or minutes, by construction: twice as much takes no more than a few times as long. */
  const doctype = (count: number) => "<!DOCTYPE ".repeat(count);
  const one = (count: number) => `X:1\nK:C\n${"CDEF ".repeat(count)}`;
  const open = (count: number) => `X:1\nK:C\n${"(".repeat(count)}`;
  it.each([
    ["document types", "application/vnd.recordare.musicxml+xml", doctype(40_000), 422],
    ["a document type without end", "application/vnd.recordare.musicxml+xml", "<!DOCTYPE score [", 422],
    ["one line of ABC", "text/vnd.abc", one(20_000), 422],
    ["open slurs", "text/vnd.abc", open(200_000), 422],
    ["sharps", "application/json", JSON.stringify({ notes: `A${"#".repeat(3_900_000)}4 B4` }), 200],
  ])("answers %s at once", async (_, kind, body, status) => {
    const response = await identify(post(body, kind));
    const text = await response.text();
    expect(response.status, text.slice(0, 300)).toBe(status);
    expect(text.length).toBeLessThan(20_000);
  });

  it("refuses a chart that is longer than any song, and an archive that unpacks to a hundred times its size", async () => {
    const chords = "Am ".repeat(900);
    const long = await match(post(JSON.stringify({ chords }), "application/json"));
    expect(long.status).toBe(422);
    const bomb = zipSync({
      "score.xml": strToU8(`<score-partwise>${" ".repeat(9_000_000)}</score-partwise>`),
    });
    const body = new Request(at("x"), {
      method: "POST",
      body: bomb as BodyInit,
      headers: { "content-type": "application/vnd.recordare.musicxml" },
    });
    expect((await identify(body)).status).toBe(422);
  });
});
