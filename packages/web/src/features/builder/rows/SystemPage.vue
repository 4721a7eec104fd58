<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import { type Heading, replaceHeading, type LineEdit, type LoadedSystem, type Statement } from "@lodrin/core";
import { computed } from "vue";
import SettledInput from "../../../ui/SettledInput.vue";
import { TAPES } from "../starters/starters.js";
import { unquoted } from "./row-fields.js";

/** The page of the system at the head of its handout: what it is called, what it makes and for whom, in which unit; edited where it stands. */
const props = defineProps<{ loaded: LoadedSystem; open: boolean }>();
const emit = defineEmits<{ edit: [edits: readonly LineEdit[]]; open: [index: number]; add: [lines: readonly string[]] }>();

const system = computed(() => props.loaded.read.system);
const facts = computed(() => [system.value.garment, UNIT_WORDS[system.value.unit], TAPE_WORDS[system.value.tape]].join(" · "));
const UNIT_WORDS = { in: "inches", cm: "centimetres" } as const;
const TAPE_WORDS = { "1/8in": "tape in eighths", "1/16in": "tape in sixteenths", "1mm": "tape in millimetres" } as const;

/** A part that is emptied is left out; a name and a garment never are. */
function put(key: keyof Heading, text: string): void {
  const value = unquoted(text).trim();
  if (value === "" && (key === "title" || key === "garment")) return;
  const { title, garment, unit, tape, about, suits } = system.value;
  const now = { title, garment, unit, tape, about, suits, [key]: value === "" ? undefined : value } as Heading;
  emit("edit", replaceHeading(props.loaded.read, now));
}
function putUnit(unit: "in" | "cm"): void {
  const { title, garment, about, suits } = system.value;
  emit("edit", replaceHeading(props.loaded.read, { title, garment, about, suits, unit, tape: TAPES[unit][0] ?? "1mm" }));
}
/** Figures that are written mean what they say in one unit only. */
const FIGURES: ReadonlySet<Statement["is"]> = new Set(["measure", "set", "table", "value", "choose"]);
const hasFigures = computed(() =>
  system.value.statements.some(
    (s) => FIGURES.has(s.is) || (s.is === "point" && Object.values(s.args).some((arg) => /\d\s*$|\d[ )]/.test(arg))),
  ),
);

const ABOUT: Partial<Record<Statement["is"], string>> = {
  uses: "builds on",
  caution: "caution",
  lesson: "lesson",
  cloth: "cloth",
  closes: "closes",
};
/** What is said of the whole elsewhere in the handout, to be found from here. */
const said = computed(() =>
  system.value.statements.flatMap((s, index) => {
    const kind = ABOUT[s.is];
    if (kind === undefined) return [];
    return [
      {
        index,
        kind,
        text: "text" in s && s.text !== undefined ? s.text : s.is === "uses" ? s.base : s.is === "cloth" ? `stretches ${s.stretches}` : "",
      },
    ];
  }),
);
const MORE = [
  { says: "A caution", lines: ['caution "What can hurt, and what to do about it."'] },
  { says: "A lesson", lines: ['lesson "What a student should know before the first line."'] },
  { says: "How it closes", lines: ['closes "How it is opened to be put on."'] },
  { says: "Cloth that stretches", lines: ["cloth stretches 20%"] },
];
</script>

<template>
  <div class="system-page" :class="{ open }" data-row="-1">
    <button class="head" :aria-expanded="open" @click="$emit('open', -1)">
      <h2>{{ system.title }}</h2>
      <span v-if="!open">{{ system.about }}</span>
      <span class="small quiet">{{ facts }}{{ system.suits === undefined ? "" : ` · ${system.suits}` }}</span>
    </button>
    <el-form v-if="open" label-position="top" class="form" @submit.prevent>
      <el-form-item label="Name of the system" class="wide"
        ><SettledInput :text="system.title" label="Name of the system" @put="put('title', $event)"
      /></el-form-item>
      <el-form-item label="What it makes" class="wide">
        <SettledInput :text="system.about ?? ''" label="What it makes" long @put="put('about', $event)" />
      </el-form-item>
      <el-form-item label="For whom" class="wide"
        ><SettledInput :text="system.suits ?? ''" label="For whom" long @put="put('suits', $event)"
      /></el-form-item>
      <el-form-item label="Garment"><SettledInput :text="system.garment" label="Garment" @put="put('garment', $event)" /></el-form-item>
      <el-form-item label="Unit">
        <span v-if="hasFigures">{{ UNIT_WORDS[system.unit] }}</span>
        <el-radio-group v-else :model-value="system.unit" aria-label="Unit" @change="putUnit($event as 'in' | 'cm')">
          <el-radio-button value="in">inches</el-radio-button>
          <el-radio-button value="cm">centimetres</el-radio-button>
        </el-radio-group>
      </el-form-item>
      <el-form-item v-if="TAPES[system.unit].length > 1" label="Tape">
        <el-radio-group :model-value="system.tape" aria-label="Tape" @change="put('tape', String($event))">
          <el-radio-button v-for="tape in TAPES[system.unit]" :key="tape" :value="tape">{{
            TAPE_WORDS[tape].replace("tape in ", "")
          }}</el-radio-button>
        </el-radio-group>
      </el-form-item>
      <p v-if="hasFigures" class="wide small quiet">The unit stays: the figures that are written would mean something else.</p>
      <div class="wide more">
        <el-button v-for="s in said" :key="s.index" class="said" text @click="$emit('open', s.index)"
          ><b>{{ s.kind }}</b
          >&nbsp;{{ s.text }}</el-button
        >
        <el-button v-for="m in MORE" :key="m.says" size="small" :icon="Plus" @click="$emit('add', m.lines)">{{ m.says }}</el-button>
      </div>
    </el-form>
  </div>
</template>

<style scoped>
.system-page {
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--rule);
}
.system-page.open {
  border-left-color: var(--now);
  background: var(--now-tint);
}
.head {
  display: grid;
  gap: 4px;
  width: 100%;
  padding: 12px 16px 10px 26px;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.head h2 {
  font-size: 22px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 0 14px;
  padding: 0 16px 12px 26px;
}
.form :deep(.el-form-item) {
  margin-bottom: 10px;
}
.wide {
  grid-column: 1 / -1;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.more .el-button {
  margin: 0;
}
.said {
  width: 100%;
  justify-content: flex-start;
  overflow: hidden;
}
.said :deep(span) {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
