<script setup lang="ts">
import { RefreshLeft, RefreshRight } from "@element-plus/icons-vue";
import type { Work } from "@lodrin/contract";
import {
  keepSaid,
  type LineToMend,
  placeOf,
  placeOfLine,
  pointText,
  renumber,
  replaceStatement,
  type Statement,
  takeMends,
  type Template,
  TEMPLATES,
} from "@lodrin/core";
import { useStorage } from "@vueuse/core";
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, useTemplateRef, watch } from "vue";
import type { Picked } from "../../board/picked.js";
import { useCharts } from "../../stores/charts.js";
import { useSession } from "../../stores/session.js";
import { useKeys, useUndoKeys } from "../../ui/use-keys.js";
import AddMenu from "./rows/AddMenu.vue";
import AskBefore from "./rows/AskBefore.vue";
import BuilderKeys from "./BuilderKeys.vue";
import HandSentence from "./by-hand/HandSentence.vue";
import ConditionBar from "./rows/ConditionBar.vue";
import { beginGoverning, conditionEdits, type Governing, withLine } from "./rows/governing.js";
import HandoutFace from "./rows/HandoutFace.vue";
import MendBar from "./text/MendBar.vue";
import NotationEditor from "./text/NotationEditor.vue";
import PublishDialog from "./panels/PublishDialog.vue";
import QuickLine from "./text/QuickLine.vue";
import TextCollision from "./text/TextCollision.vue";
import { chartRange, sizeBodies } from "./range/chart-bodies.js";
import { draftWords } from "./panels/draft-words.js";
import { useLights } from "./paper/use-lights.js";
import { helpWord } from "./rows/row-words.js";
import { useByHand } from "./by-hand/use-by-hand.js";
import { useActs } from "./rows/use-acts.js";
import { providePicking } from "./paper/use-picking.js";
import { useMends } from "./text/use-mends.js";
import { useQuickLine } from "./text/use-quick-line.js";
import { useForeseen } from "./paper/use-foreseen.js";
import { useGhost } from "./paper/use-ghost.js";
import { usePublishing } from "./panels/use-publishing.js";
import type { Stage } from "./panels/order-of-work.js";
import { usePull } from "./paper/use-pull.js";
import { useRange } from "./range/use-range.js";
import { useTour } from "./tour/use-tour.js";
import { useWriting, type WorkAutosave } from "./use-writing.js";
import WritingDrawers, { type DrawerKey } from "./WritingDrawers.vue";
import WritingHeader from "./WritingHeader.vue";
import WritingPaper from "./paper/WritingPaper.vue";

// The way round is for who asks for it.
const BuilderTour = defineAsyncComponent(() => import("./tour/BuilderTour.vue"));

/** The writing table: the handout (or its text) on the left with the quick line at its foot, the draft on a body beside it, drawers on the right. */
const props = defineProps<{ work: Work; autosave: WorkAutosave }>();
const session = useSession();
const { state } = props.autosave;
const charts = useCharts();
const sizes = computed(() => charts.charts.flatMap(sizeBodies));
const writing = useWriting(props.autosave, sizes);
const { loaded, library, drafted, bodies, body, figures, step, document, openStatement, open, lineOf } = writing;
const { depth } = document;
const range = useRange(
  writing,
  computed(() => charts.charts.map(chartRange)),
);
const acts = useActs(writing);
const { asking } = acts;

const FACES = [
  { value: "handout", label: "Handout" },
  { value: "text", label: "Text" },
];
const face = useStorage<"handout" | "text">("lodrin-face", "handout");
/** Whether the rule is shown under every sentence. */
const rules = useStorage("lodrin-rules", false);
const { mends, reading, failed: mendsFailed } = useMends(writing);
const proposed = computed(() => mends.value.filter((m) => m.puts));
const foreseen = useForeseen(writing, proposed);

function change(index: number, to: Statement): void {
  const statement = keepSaid(loaded.value, library.value, index, to);
  document.edit(replaceStatement(loaded.value.read, index, statement), index < 0 ? undefined : placeOf(loaded.value.read, index).line);
}
const takeMend = (mend: LineToMend): void => document.edit(takeMends(loaded.value.read, [mend]));
/** Takes all that is understood, in one edit: one step back undoes it. */
const takeAll = (): void => document.edit(takeMends(loaded.value.read, proposed.value));
/** Goes to a place of the text, where it is typed. */
function goToText(line: number, column?: number): void {
  face.value = "text";
  void nextTick(() => document.goTo(line, column));
}
/** Measurements and settings go to their like, everything else behind the line that is open. */
function add(lines: readonly string[]): void {
  const { statements } = loaded.value.system;
  acts.insert(placeOfLine(lines[0] ?? "", statements, behind()), lines);
}
/** A condition that is given to several lines at once, which are pressed one after the other. */
const governing = shallowRef<Governing>();
function putCondition(): void {
  if (governing.value) document.edit(conditionEdits(loaded.value.read, governing.value));
  governing.value = undefined;
}
function openLine(index: number): void {
  if (governing.value) governing.value = withLine(governing.value, loaded.value.read, index);
  else openStatement(index);
}
const refused = ref("");
function act(what: string, index: number): void {
  if (what === "up" || what === "down") acts.move(index, what === "up" ? -1 : 1);
  else if (what === "duplicate") acts.duplicate(index);
  else if (what === "delete") acts.remove(index);
  else if (what === "when") governing.value = beginGoverning(loaded.value.read, index);
  else if (what === "heading") acts.insert(index - 1, ['part "New part"']);
  else if (what === "renumber") {
    const board = loaded.value.system.statements[index];
    acts.propose("Numbering again would break something.", renumber(loaded.value, board?.is === "board" ? board.key : undefined));
  } else if (what === "hand") hand.change(index);
  else if (what === "text") goToText(placeOf(loaded.value.read, index).line);
}
const call = (index: number, name: string): void => void (refused.value = acts.call(index, name) ?? "");

const { lights, lit: litLines, marks } = useLights(loaded, drafted, asking);
const lit = computed(() => (governing.value ? new Set(governing.value.lines) : litLines.value));

const quick = useTemplateRef<{ fill: (name: string) => void; focus: () => void }>("quick");
const { typed, trial, chosen, behind, behindWords, put, paste } = useQuickLine(writing, props.work.id, () => (picked.value = []));
const hand = useByHand(writing, behind, () => (picked.value = []));
/** What is made by hand is drawn once every gap is filled and nothing of it is wrong. */
const drawn = computed(() => (hand.trial.value?.problems.length === 0 ? hand.trial.value : undefined));
const tried = computed(() => (trial.value?.step === undefined ? undefined : trial.value));
const { touring, endTour } = useTour();
/** Each line of the way round goes in behind the last, as if it had been typed. */
function takeLine(text: string): void {
  openStatement(loaded.value.system.statements.length - 1);
  typed.value = text;
  put();
}
const paper = useTemplateRef<{ fit: () => void; zoomBy: (factor: number) => void; grid: () => void; ahead: () => void; tools: () => void }>(
  "paper",
);
const pieces = ref(false);
const picked = shallowRef<readonly Picked[]>([]);
const last = computed(() => Math.max(0, loaded.value.plan.steps.length - 1));
const shownStep = computed(() => Math.min(step.value, last.value));
const drafting = { run: drafted };

const { shift, pull } = usePull(writing, shownStep);

/** A form of the handout may ask for what is pressed on the paper: then the hand stays on its line. */
const picking = providePicking();
/** A step chosen on the paper, or by its button, is the line the hand is on. */
function go(to: number): void {
  const at = lineOf(Math.min(Math.max(0, to), last.value));
  if (at === undefined || typed.value.trim() !== "" || picking.asked() || hand.filling.value) return;
  step.value = Math.min(Math.max(0, to), last.value);
  document.goTo(at, 1, face.value === "text");
}
/** What is picked fills the next gap of a sentence that is begun; else it is what a sentence may begin with. Pressed again it is let go. */
function pick(what: Picked): void {
  if (picking.asked()) return picking.give(what);
  if (hand.filling.value) return hand.press(what);
  if (typed.value.trim() !== "") quick.value?.fill(what.kind === "point" ? pointText(what.name) : what.name);
  else {
    const others = picked.value.filter((p) => p.name !== what.name || p.kind !== what.kind);
    picked.value = others.length < picked.value.length ? others : [...others, what];
  }
}

const drawer = ref<DrawerKey>();
const ranging = ref(false);
const kept = ref(props.work);
const word = computed(() => helpWord(loaded.value.system.statements[open.value]));
const { other, beside, ghost } = useGhost(writing);
watch(drawer, (now) => now !== "versions" && (other.value = undefined));
const sum = computed(() => draftWords(loaded.value.plan, drafted.value));
/** A size of the range becomes the figures that are tried. */
function openSize(index: number): void {
  const size = range.bodies.value[index];
  if (!size) return;
  figures.value = size.measurements;
  ranging.value = false;
}

const { asked: publishing, published, told, problems, breaks, ask: askToPublish, done: tellPublished } = usePublishing(props.work, range);
/** From the question whether to publish to what is wrong. */
function look(statement: number | undefined): void {
  publishing.value = false;
  if (statement === undefined) drawer.value = "problems";
  else openStatement(statement);
}

const measuring = ref(false);
const adding = useTemplateRef<{ measure: () => void }>("adding");
/** Begins something by hand that is called for elsewhere: the sentence of a template, with what is known of it. */
function beginByHand(group: Template["group"], key: string, known: readonly Picked[] = []): void {
  const template = TEMPLATES.find((t) => t.group === group && t.key === key);
  if (!template) return;
  pieces.value = known.some((p) => p.kind === "edge");
  hand.begin(template, known);
}
/** Goes on with a stage of the work. */
function goOn(stage: Stage["key"]): void {
  const does: Readonly<Record<Stage["key"], () => void>> = {
    page: () => openStatement(-1),
    measurements: () => adding.value?.measure(),
    frame: () => beginByHand("point", "down"),
    lines: () => beginByHand("line", "line"),
    pieces: () => beginByHand("piece", "outline"),
    shapings: () => (pieces.value = true),
    seams: () => (drawer.value = "seams"),
    checks: () => beginByHand("check", "equal"),
    range: () => (ranging.value = true),
    publish: () => void askToPublish(),
  };
  does[stage]();
}
const keys = ref(false);
const header = useTemplateRef<{ turn: (way: number) => void }>("header");
const draw = (key: DrawerKey): void => void (drawer.value = drawer.value === key ? undefined : key);
const ACTS: Readonly<Record<string, () => void>> = {
  ArrowRight: () => go(shownStep.value + 1),
  ArrowLeft: () => go(shownStep.value - 1),
  n: () => quick.value?.focus(),
  d: () => paper.value?.tools(),
  e: () => draw("seams"),
  w: () => draw("order"),
  t: () => (face.value = face.value === "text" ? "handout" : "text"),
  p: () => (pieces.value = !pieces.value),
  s: () => draw("problems"),
  r: () => (ranging.value = !ranging.value),
  y: () => draw("try"),
  v: () => draw("versions"),
  h: () => draw("help"),
  "[": () => header.value?.turn(-1),
  "]": () => header.value?.turn(1),
  u: () => session.prefer({ unit: session.unit === "in" ? "cm" : "in" }),
  f: () => paper.value?.fit(),
  g: () => paper.value?.grid(),
  o: () => paper.value?.ahead(),
  "+": () => paper.value?.zoomBy(1.3),
  "-": () => paper.value?.zoomBy(1 / 1.3),
  "?": () => (keys.value = true),
  Escape: () => {
    if (governing.value) governing.value = undefined;
    else if (asking.value) asking.value = undefined;
    else if (hand.filling.value) hand.leave();
    else if (picked.value.length > 0) picked.value = [];
    else if (ranging.value) ranging.value = false;
    else drawer.value = undefined;
    lights.value = [];
  },
};
useKeys(ACTS, () => keys.value || publishing.value || measuring.value);
// While a sentence is made by hand, what is taken back is of it.
useUndoKeys({ undo: () => (hand.filling.value ? hand.back() : document.undo()), redo: () => document.redo() });
</script>

<template>
  <div class="writing">
    <WritingHeader
      ref="header"
      v-model:body="body"
      class="top"
      :title="loaded.system.title"
      :published="published"
      :autosave="autosave"
      :bodies="bodies"
      :whole="loaded.problems.length === 0"
      @publish="askToPublish"
      @keys="keys = true"
    />
    <section class="text" :aria-label="face === 'text' ? 'The text' : 'The handout and its quick line'">
      <div class="bar">
        <el-segmented v-model="face" :options="FACES" aria-label="Seen as" />
        <span class="room" />
        <el-button
          text
          :icon="RefreshLeft"
          :disabled="depth.undo === 0"
          aria-label="Undo (Ctrl Z)"
          title="Undo (Ctrl Z)"
          @click="document.undo()"
        />
        <el-button
          text
          :icon="RefreshRight"
          :disabled="depth.redo === 0"
          aria-label="Redo (Ctrl Y)"
          title="Redo (Ctrl Y)"
          @click="document.redo()"
        />
        <el-button
          v-if="face === 'handout'"
          text
          :class="{ on: rules }"
          :aria-pressed="rules"
          title="The rule under every sentence"
          @click="rules = !rules"
          >Rules</el-button
        >
        <AddMenu ref="adding" v-model:measuring="measuring" :system="loaded.system" @add="add" @begin="hand.begin($event, [])" />
      </div>
      <TextCollision v-if="state === 'collision'" :autosave="autosave" />
      <div class="faces">
        <!-- While the text is written the handout is put aside: nobody sees its rows, and none is drawn. -->
        <div v-show="face === 'handout'" class="face">
          <KeepAlive>
            <HandoutFace
              v-if="face === 'handout'"
              :loaded="loaded"
              :run="drafting.run"
              :open="open"
              :mends="mends"
              :lit="lit"
              :rules="rules"
              @open="openLine"
              @act="act"
              @carry="acts.moveBehind"
              @light="lights = $event"
              @mend="takeMend"
              @change="change"
              @call="call"
              @line="acts.line"
              @detail="acts.detail"
              @edit="document.edit($event)"
              @add="acts.insert(loaded.system.statements.length - 1, $event)"
            />
          </KeepAlive>
        </div>
        <NotationEditor v-if="face === 'text'" :document="document" :loaded="loaded" />
      </div>
      <ConditionBar
        v-if="governing"
        :governing="governing"
        :loaded="loaded"
        @when="governing = { ...governing, when: $event }"
        @put="putCondition"
        @leave="governing = undefined"
      />
      <AskBefore v-else-if="asking" :asking="asking" @leave="asking = undefined" />
      <MendBar
        v-model:told="told"
        v-model:refused="refused"
        class="mend"
        :writing="writing"
        :step="face === 'text' ? shownStep : undefined"
        :listed="face === 'text'"
        :proposed="proposed.length"
        :reading="reading"
        :failed="mendsFailed"
        :sum="sum"
        @go="goToText"
        @statement="openStatement"
        @all="takeAll"
      />
      <HandSentence v-if="hand.filling.value" :hand="hand" :loaded="loaded" :run="drafting.run" />
      <QuickLine
        v-else
        ref="quick"
        v-model="typed"
        :loaded="loaded"
        :trial="trial"
        :unit="session.unit"
        :behind="behindWords"
        @take="put"
        @choose="((chosen = $event), put())"
        @paste="paste"
      />
    </section>
    <WritingPaper
      ref="paper"
      v-model:ranging="ranging"
      v-model:pieces="pieces"
      v-model:picked="picked"
      class="paper"
      :writing="writing"
      :range="range"
      :trial="drawn ?? tried ?? pull ?? foreseen"
      :foreseen="!drawn && !tried && !pull && foreseen !== undefined"
      :hand="hand"
      :pulled="pull?.says"
      :ghost="ghost"
      :step="shownStep"
      :marks="marks"
      @go="go"
      @pick="pick"
      @size="openSize"
      @light="((lights = [$event]), openStatement($event))"
      @problems="drawer = 'problems'"
      @pull="shift = $event"
      @taken="pull && change(pull.index, pull.now)"
    />
    <WritingDrawers
      v-model:drawer="drawer"
      v-model:beside="beside"
      :work="kept"
      :writing="writing"
      :autosave="autosave"
      :published="published"
      :ranging="ranging"
      :findings="range.findings.value"
      :sum="sum"
      :word="word"
      @range="ranging = !ranging"
      @statement="openStatement"
      @difference="$event.statement !== undefined && openStatement($event.statement)"
      @ghost="other = $event"
      @put="acts.insert(behind(), $event)"
      @placed="kept = $event"
      @stage="goOn"
      @sew="beginByHand('sew', 'sew', [{ kind: 'edge', name: $event }])"
      @change="change"
    />
    <PublishDialog
      v-model="publishing"
      :autosave="autosave"
      :published="published"
      :problems="problems"
      :breaks="breaks"
      @published="tellPublished"
      @go="look"
      @all="look(undefined)"
    />
    <BuilderKeys v-model="keys" />
    <BuilderTour v-if="touring" @line="takeLine" @close="endTour" />
  </div>
</template>

<style scoped>
.writing {
  display: grid;
  grid-template: 52px minmax(0, 1fr) / minmax(0, 0.82fr) minmax(0, 1fr) auto 84px;
  height: 100%;
}
.top {
  grid-column: 1 / -1;
}
.text {
  display: grid;
  grid-template: auto auto minmax(0, 1fr) auto auto minmax(0, auto) / minmax(0, 1fr);
  min-width: 0;
  border-right: 1px solid var(--rule);
}
.bar {
  grid-row: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  padding: 6px 12px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
}
.room {
  flex: 1;
}
.bar .on {
  color: var(--now);
  background: var(--now-tint);
}
.faces {
  grid-row: 3;
  display: grid;
  min-height: 0;
}
.faces > * {
  grid-area: 1 / 1;
}
.face {
  display: grid;
  min-height: 0;
}
.mend {
  grid-row: 5;
}
.text > :last-child {
  grid-row: 6;
}
@media (width < 1100px) {
  .writing {
    grid-template: 52px minmax(0, 1fr) minmax(0, 1.1fr) / minmax(0, 1fr) 84px;
  }
  .paper {
    grid-column: 1;
    grid-row: 2;
  }
  .text {
    grid-column: 1;
    grid-row: 3;
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (width < 620px) {
  .writing {
    grid-template: auto minmax(0, 1fr) minmax(0, 1.1fr) auto / minmax(0, 1fr);
  }
}
</style>
