import { type QueryClient, QueryObserver } from "@tanstack/react-query";
import {
  type Asked,
  arrangementOf,
  chartOf,
  type Doubles,
  handsAsked,
  keepDoubles,
  keptDoubles,
  waysOf,
} from "../api/asking";
import type { Arrangement, ChartView, Choices, Colour, Hands, Measures, Refused, Song, Tone } from "../api/client";
import type { Aim } from "../keyboard/AimKey";
import { barsWithin } from "./address";
import { type DraftDesk, OpenDraft } from "./openDraft";
import { Store } from "./store";
import { playable } from "./tempo";
import { type Compared, type TriedFigure, withTried } from "./tried";

type Bars = [number, number];

/** What a person does on an open song besides changing it. */
type Placed = {
  /** A chart that is heard and shown in place of the draft and not kept, while an ear tries it. */
  trial: string | null;
  /** A figure that is being written, heard and shown on the whole song in place of the chosen one. */
  tried: TriedFigure | null;
  /** Colours that are heard and shown in place of those that are kept, while an ear tries one. */
  triedColours: Colour[] | null;
  /** Choices that are heard and shown in place of the draft's and not kept: those of an evening. */
  triedChoices: Choices | null;
  /** The other choices of A and B, one key press away. */
  compared: Compared | null;
  /** Keys shown on the keyboard, such as the notes of a scale. */
  shown: Tone[] | null;
  /** Notes to improvise on, lit on the keyboard while it plays too. */
  aims: Aim[];
  /** Who hears the keys of the screen's keyboard while a melody is played in. */
  onKey: ((midi: number, down: boolean) => void) | null;
  doubles: Doubles;
  looping: boolean;
  /** In the song's beats a minute; null for its own. */
  tempo: number | null;
  struck: number | null;
  /** Strokes that are pointed at, such as those that make a bar hard. */
  pointed: number[];
  help: boolean;
  /** The bars that are taken, none meaning all. */
  wanted: Bars | null;
  /** A level that was asked for, shown until the answer that tells what holds is there. */
  level: { asked: number | null; over: Arrangement | undefined } | null;
};

/** What comes of it. */
export type OpenState = Placed & {
  desk: DraftDesk;
  chart: ChartView | undefined;
  chartError: Refused | null;
  /** The chart as last sent to be arranged; a moment behind the typing. */
  settledChart: string;
  /** What is arranged at the moment. */
  asked: Asked;
  /** While it cannot be had, the last one stays; only a chart that has no bars takes it away. */
  arrangement: Arrangement | undefined;
  arrangementError: Refused | null;
  hand: Measures | undefined;
  selection: Bars;
  /** The tempo that is played, in the song's beats a minute. */
  bpm: number;
  levelShown: number | null;
};

/** The sheet follows each letter; the left hand, which takes longer to lay, a pause. */
const READ_PAUSE = 15;
const ARRANGE_PAUSE = 120;

/**
 * A song as long as it is open: its draft, what is tried in its place, the bars that are taken, and what the server
 * makes of it all. It knows of no screen.
 */
export class OpenSong extends Store<OpenState> {
  private readonly draft: OpenDraft;
  private readonly charts: QueryObserver<ChartView, Refused>;
  private readonly arrangements: QueryObserver<Arrangement, Refused>;
  private readonly hands: QueryObserver<Hands[], Refused>;
  private readonly ways: QueryObserver<number[], Refused>;
  /** The typed chart as it was a moment ago. */
  private read: string;
  private settled: string;
  private timers: ReturnType<typeof setTimeout>[] = [];
  private askedFor: unknown[] = [];
  private waysFor: unknown[] = [];
  /** Takes a level by a key press, where the view of the moment has a way of its own. */
  onLevel: ((level: number | null) => void) | null = null;

  constructor(
    readonly song: Song,
    queries: QueryClient,
    wanted: Bars | null = null,
  ) {
    const draft = new OpenDraft(song, queries);
    const { chart, choices } = draft.state.draft;
    const asked: Asked = { chart, choices, hand: undefined, figures: [] };
    const placed: Placed = {
      trial: null,
      tried: null,
      triedColours: null,
      triedChoices: null,
      compared: null,
      shown: null,
      aims: [],
      onKey: null,
      doubles: keptDoubles(),
      looping: true,
      tempo: null,
      struck: null,
      pointed: [],
      help: false,
      wanted,
      level: null,
    };
    super({
      ...placed,
      desk: draft.desk(),
      chart: undefined,
      chartError: null,
      settledChart: chart,
      asked,
      arrangement: undefined,
      arrangementError: null,
      hand: undefined,
      selection: [0, 0],
      bpm: 100,
      levelShown: null,
    });
    this.draft = draft;
    this.read = chart;
    this.settled = chart;
    this.hands = new QueryObserver<Hands[], Refused>(queries, { ...handsAsked, retry: false });
    this.charts = new QueryObserver<ChartView, Refused>(queries, this.chartOptions());
    this.arrangements = new QueryObserver<Arrangement, Refused>(queries, arrangementOptions(asked));
    this.ways = new QueryObserver<number[], Refused>(queries, waysOptions(asked, false));
    this.become({});
  }

  /** Works until the answer is called. */
  readonly open = (): (() => void) => {
    const told = () => this.become({});
    const ends = [
      this.draft.open(),
      this.draft.subscribe(() => this.typed()),
      this.hands.subscribe(told),
      this.charts.subscribe(told),
      this.arrangements.subscribe(told),
      this.ways.subscribe(told),
    ];
    this.typed();
    return () => {
      for (const timer of this.timers) clearTimeout(timer);
      for (const end of ends) end();
    };
  };

  readonly setTrial = (trial: string | null): void => this.become({ trial });
  readonly setTried = (tried: TriedFigure | null): void => this.become({ tried });
  readonly setTriedColours = (triedColours: Colour[] | null): void => this.become({ triedColours });
  readonly setTriedChoices = (triedChoices: Choices | null): void => this.become({ triedChoices });
  readonly setCompared = (compared: Compared | null): void => this.become({ compared });
  readonly setShown = (shown: Tone[] | null): void => this.become({ shown });
  readonly setAims = (aims: Aim[]): void => this.become({ aims });
  readonly setOnKey = (onKey: Placed["onKey"]): void => this.become({ onKey });
  readonly setLooping = (looping: boolean): void => this.become({ looping });
  readonly setTempo = (tempo: number | null): void => this.become({ tempo: tempo === null ? null : playable(tempo) });
  readonly setStruck = (struck: number | null): void => this.become({ struck });
  readonly setPointed = (pointed: number[]): void => this.become({ pointed });
  readonly setHelp = (help: boolean): void => this.become({ help });
  readonly select = (first: number, end: number): void =>
    this.become({ wanted: [Math.min(first, end), Math.max(first, end)] });

  readonly setDoubles = (doubles: Doubles): void => {
    keepDoubles(doubles);
    this.become({ doubles });
  };

  /** Half as fast as it is written, or again as it was. */
  readonly half = (): void => {
    const half = playable((this.state.arrangement?.tempo.bpm ?? 100) / 2);
    this.become({ tempo: this.state.bpm === half ? null : half });
  };

  readonly takeLevel = (asked: number | null): void => {
    this.become({ level: { asked, over: this.state.arrangement } });
    if (this.onLevel) this.onLevel(asked);
    else {
      const { level: _before, ...choices } = this.draft.state.draft.choices;
      this.draft.change({ choices: asked === null ? choices : { ...choices, level: asked } });
    }
  };

  /** Puts the other choices of A and B in place of these, and these in their place. */
  readonly compare = (): void => {
    const { compared, arrangement, selection } = this.state;
    if (!compared) return;
    const { arrangementId, arrangement: name, choices, others } = this.draft.state.draft;
    const other = others.find((each) => each.name === compared.name);
    const figure = arrangement?.bars[selection[0]]?.choices.figure ?? "";
    this.become({ compared: { name, choices, figure } });
    // Another arrangement is opened; other choices of this one take their place.
    if (other)
      this.draft.change({
        arrangementId: other.id,
        arrangement: other.name,
        choices: other.choices,
        others: [{ id: arrangementId, name, choices }, ...others.filter((each) => each !== other)],
      });
    else this.draft.change({ choices: compared.choices });
  };

  /** Asks once more for an arrangement that could not be had. */
  readonly askAgain = (): void => void this.arrangements.refetch();

  private typed(): void {
    const { chart } = this.draft.state.draft;
    if (chart !== this.read || chart !== this.settled) {
      for (const timer of this.timers) clearTimeout(timer);
      this.timers = [
        setTimeout(() => {
          this.read = chart;
          this.become({});
        }, READ_PAUSE),
        setTimeout(() => {
          this.settled = chart;
          this.become({});
        }, ARRANGE_PAUSE),
      ];
    }
    this.become({ desk: this.draft.desk() });
  }

  /** With something else in it, and what follows of that. */
  private become(more: Partial<OpenState>): void {
    this.set(more);
    this.ask();
    const found = this.arrangements.getCurrentResult();
    const chart = this.charts.getCurrentResult();
    const gone = found.error !== null && found.error.problems.length > 0;
    const arrangement = found.data ?? (gone ? undefined : this.state.arrangement);
    const { wanted, selection, tempo, level } = this.state;
    const [from, to] = barsWithin(wanted, arrangement?.bars.length ?? 0);
    this.set({
      chart: chart.data,
      chartError: chart.error,
      arrangement,
      arrangementError: found.error,
      selection: from === selection[0] && to === selection[1] ? selection : [from, to],
      bpm: tempo ?? arrangement?.tempo.bpm ?? 100,
      levelShown:
        level && level.over === arrangement ? level.asked : (arrangement?.bars[from]?.choices.chosen.level ?? null),
    });
    this.holdWays(found.isPlaceholderData ? undefined : arrangement);
  }

  /** Sends for what is worked on now, where that is something else. */
  private ask(): void {
    const { desk, trial, tried, triedColours, triedChoices, doubles } = this.state;
    const { choices } = desk.draft;
    const settledChart = trial ?? this.settled;
    const hand = this.hands.getCurrentResult().data?.find((each) => each.inUse)?.measures;
    const wanted = [settledChart, trial ?? this.read, doubles, choices, tried, triedColours, triedChoices, hand];
    if (wanted.every((each, i) => Object.is(each, this.askedFor[i]))) return;
    this.askedFor = wanted;
    const asked: Asked = {
      chart: settledChart,
      choices: tried
        ? withTried(choices, tried)
        : triedColours
          ? { ...choices, colours: triedColours }
          : (triedChoices ?? choices),
      hand,
      figures: tried ? [tried.file] : [],
    };
    this.set({ asked, settledChart, hand });
    this.charts.setOptions(this.chartOptions());
    this.arrangements.setOptions(arrangementOptions(asked));
  }

  /**
   * With a level on, the ways its levels took are kept with the choices: they change when the levels no longer rise
   * with them, not with every chord.
   */
  private holdWays(arrangement: Arrangement | undefined): void {
    const { asked, desk, trial, tried, triedColours, triedChoices } = this.state;
    const trying = tried !== null || trial !== null || triedColours !== null || triedChoices !== null;
    const leveled = arrangement?.bars.some((bar) => bar.choices.chosen.level) ?? false;
    const wanted = [asked, leveled && !trying];
    if (wanted.some((each, i) => each !== this.waysFor[i])) {
      this.waysFor = wanted;
      this.ways.setOptions(waysOptions(asked, leveled && !trying));
    }
    const { choices } = desk.draft;
    if (trying || asked.choices !== choices || !arrangement) return;
    const held = choices.ways;
    const found = this.ways.getCurrentResult().data;
    if (!leveled && held) {
      const { ways: _gone, ...others } = choices;
      this.draft.note(others);
    } else if (leveled && found && JSON.stringify(found) !== JSON.stringify(held))
      this.draft.note({ ...choices, ways: found });
  }

  private chartOptions() {
    return { ...chartOf(this.state.trial ?? this.read, this.state.doubles), ...LAST_STAYS };
  }
}

/** While the next is on its way the last one is shown. */
const LAST_STAYS = { placeholderData: <T>(last: T | undefined) => last, retry: false };
const arrangementOptions = (asked: Asked) => ({ ...arrangementOf(asked), ...LAST_STAYS });
const waysOptions = (asked: Asked, enabled: boolean) => ({ ...waysOf(asked), retry: false, enabled });
