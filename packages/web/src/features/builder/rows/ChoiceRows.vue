<script setup lang="ts">
import { Delete, Plus } from "@element-plus/icons-vue";
import type { LoadedSystem, Statement } from "@lodrin/core";
import LineField from "../text/LineField.vue";
import { unquoted } from "./row-fields.js";
import SettledInput from "../../../ui/SettledInput.vue";

/** The options of a choice, one a row: what it is called, what it comes to, why, and whom it suits. The first is taken when nothing is said. */
type Choice = Extract<Statement, { is: "choose" }>;
type Option = Choice["options"][number];
const props = defineProps<{ statement: Choice; loaded: LoadedSystem }>();
const emit = defineEmits<{ change: [statement: Statement] }>();

const put = (options: readonly Option[]): void => emit("change", { ...props.statement, options: [...options] });
/** A part that is emptied is left out; an option without a name is none. */
function change(at: number, part: keyof Option, text: string): void {
  const plain = unquoted(text).trim();
  if (part === "name" && plain === "") return;
  put(
    props.statement.options.map((option, i) => {
      if (i !== at) return option;
      const { [part]: _, ...rest } = option;
      return (plain === "" ? rest : { ...option, [part]: part === "formula" ? text : plain }) as Option;
    }),
  );
}
const add = (): void => put([...props.statement.options, { name: `option ${props.statement.options.length + 1}` }]);
const remove = (at: number): void => put(props.statement.options.filter((_, i) => i !== at));
</script>

<template>
  <div class="options">
    <div v-for="(o, i) in statement.options" :key="i" class="option">
      <SettledInput :text="o.name" :label="`Option ${i + 1}`" @put="change(i, 'name', $event)" />
      <LineField
        formula
        :label="`What option ${i + 1} comes to`"
        :loaded="loaded"
        :model-value="o.formula ?? ''"
        placeholder="comes to"
        @update:model-value="change(i, 'formula', $event)"
      />
      <el-button v-if="statement.options.length > 1" text :icon="Delete" :aria-label="`Take ${o.name} away`" @click="remove(i)" />
      <SettledInput
        class="wide"
        :text="o.reason ?? ''"
        placeholder="Why"
        :label="`Why option ${i + 1}`"
        @put="change(i, 'reason', $event)"
      />
      <SettledInput
        class="wide"
        :text="o.suits ?? ''"
        placeholder="Suits whom"
        :label="`Whom option ${i + 1} suits`"
        @put="change(i, 'suits', $event)"
      />
    </div>
    <el-button :icon="Plus" size="small" @click="add">An option</el-button>
  </div>
</template>

<style scoped>
.options {
  grid-column: 1 / -1;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.option {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 40px;
  gap: 4px 6px;
  width: 100%;
}
.wide {
  grid-column: 1 / 3;
}
</style>
