<script setup lang="ts">
import { edgeStates, type EdgeState, type LoadedSystem, ownIndex, type Run, roleText, type Statement, tapeText } from "@lodrin/core";
import { computed, type Ref } from "vue";
import { useSession } from "../../../stores/session.js";
import { FINISHES, withFinish } from "../rows/edge-finishes.js";

/** Every edge of every piece: what it is sewn to and whether the two agree, how it is finished, or that nothing is said of it yet. */
const props = defineProps<{ loaded: LoadedSystem; run: Readonly<Ref<Run>> }>();
const emit = defineEmits<{ sew: [edge: string]; go: [statement: number]; change: [index: number, statement: Statement] }>();
const session = useSession();

const titles = computed(() => new Map(props.run.value.pieces.map((p) => [p.key, p.title])));
const nameOf = (edge: string): string => {
  const [piece = "", role = ""] = edge.split(".");
  return `${titles.value.get(piece) ?? piece}: ${roleText({ role })}`;
};
/** How two sewn sides stand to each other on this body. */
const seams = computed(() => {
  const by = new Map<string, { readonly by: number; readonly holds: boolean }>();
  for (const { seam, got, expected, edges, status } of props.run.value.checks)
    if (seam && typeof expected === "number")
      for (const edge of edges ?? []) by.set(edge, { by: got - expected, holds: status === "pass" });
  return by;
});
/** The statement of a piece that is written here, so that its edges can be said more of. */
function pieceOf({ piece, edge }: EdgeState): { statement: Extract<Statement, { is: "piece" }>; index: number } | undefined {
  const { statements } = props.loaded.system;
  const index = statements.findIndex((s) => s.is === "piece" && s.key === piece.key);
  const statement = statements[index];
  return statement?.is === "piece" && statement.edges?.some((e) => e.role === edge.role) ? { statement, index } : undefined;
}
const EDGES_ARE = [{ value: "unsaid", label: "nothing said yet" }, ...FINISHES];
function finish(state: EdgeState, is: string): void {
  const piece = pieceOf(state);
  if (!piece) return;
  const edges = (piece.statement.edges ?? []).map((edge) => (edge.role === state.edge.role ? withFinish(edge, is) : edge));
  emit("change", piece.index, { ...piece.statement, edges });
}
const groups = computed(() => {
  const states = edgeStates(props.loaded.plan, props.run.value.pieces);
  return props.run.value.pieces.map((piece) => ({ piece, states: states.filter((s) => s.piece === piece) }));
});
const left = computed(() => groups.value.flatMap((g) => g.states).filter((s) => s.is === "unsaid").length);
const differs = (edge: string): string => {
  const seam = seams.value.get(edge);
  if (!seam || Math.abs(seam.by) < 0.05) return "the same length";
  return `${tapeText(Math.abs(seam.by), session.unit)} ${seam.by > 0 ? "too much on the first" : "too little on the first"}`;
};
const ownSew = ({ statement }: EdgeState): number | undefined =>
  ownIndex(props.loaded.system, statement === undefined ? undefined : props.loaded.plan.system.statements[statement]);
</script>

<template>
  <div class="drawer-body">
    <p class="small" role="status">
      <template v-if="groups.length === 0">There is no piece yet. Piece, on the paper, makes one.</template>
      <template v-else-if="left === 0">Every edge is sewn to another or finished.</template>
      <template v-else>{{ left }} edge{{ left === 1 ? "" : "s" }} with nothing said of {{ left === 1 ? "it" : "them" }} yet.</template>
    </p>
    <section v-for="g in groups" :key="g.piece.key" :aria-label="g.piece.title">
      <h3>{{ g.piece.title }}</h3>
      <ul>
        <li v-for="s in g.states" :key="s.edge.name" :class="s.is">
          <span class="edge"
            ><b>{{ roleText(s.edge) }}</b> <span class="quiet">{{ tapeText(s.edge.length, session.unit) }}</span></span
          >
          <template v-if="s.is === 'sewn'">
            <span
              >to {{ s.to.map(nameOf).join(" and ") || "its own piece" }},
              <span :class="{ wrong: seams.get(s.edge.name)?.holds === false }">{{ differs(s.edge.name) }}</span></span
            >
            <el-button v-if="ownSew(s) !== undefined" link type="primary" @click="$emit('go', ownSew(s) ?? 0)">Open</el-button>
          </template>
          <template v-else>
            <el-select
              v-if="pieceOf(s)"
              :model-value="s.is"
              :aria-label="`What becomes of ${g.piece.title}, ${roleText(s.edge)}`"
              @change="finish(s, $event)"
            >
              <el-option v-for="o in EDGES_ARE" :key="o.value" v-bind="o" />
            </el-select>
            <span v-else>{{ EDGES_ARE.find((f) => f.value === s.is)?.label }}</span>
            <el-button v-if="s.is === 'unsaid'" link type="primary" @click="$emit('sew', s.edge.name)">Sew it …</el-button>
          </template>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
h3 {
  font-size: 17px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 10px;
  align-items: center;
  padding: 6px 0 6px 10px;
  border-left: 4px solid var(--rule);
}
li.unsaid {
  border-color: var(--warn);
}
.edge {
  grid-column: 1 / -1;
}
.wrong {
  color: var(--fail);
  font-weight: 600;
}
</style>
