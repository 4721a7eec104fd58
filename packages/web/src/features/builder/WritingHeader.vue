<script setup lang="ts">
import { ArrowLeft, ArrowRight, Promotion, QuestionFilled } from "@element-plus/icons-vue";
import { computed } from "vue";
import SaveState from "../../ui/SaveState.vue";
import TableHeader from "../../ui/TableHeader.vue";
import UnitSwitch from "../../ui/UnitSwitch.vue";
import { useHands } from "./text/use-hands.js";
import type { TryBody, WorkAutosave } from "./use-writing.js";

/** What is written, whether it is kept, the body it is tried on, and the way to publish it. */
const props = defineProps<{ title: string; published: number; autosave: WorkAutosave; bodies: readonly TryBody[]; whole: boolean }>();
const body = defineModel<string>("body", { required: true });
defineEmits<{ publish: []; keys: [] }>();
const { state, savedAt, why } = props.autosave;
const others = useHands(props.autosave.local.id);
const at = computed(() => props.bodies.findIndex((b) => b.id === body.value));
/** The body before or behind, round and round. */
function turn(way: number): void {
  const { length } = props.bodies;
  body.value = props.bodies[(at.value + way + length) % length]?.id ?? body.value;
}
defineExpose({ turn });
</script>

<template>
  <TableHeader class="header" :title="title" :home="{ name: 'builder' }" home-name="To my systems">
    <template #about>
      <el-tag type="info" class="tag">{{ published ? `version ${published} published` : "not published yet" }}</el-tag>
      <el-tag v-if="others" type="warning" disable-transitions role="status" title="Who saves later is shown both texts and chooses">{{
        others === 1 ? "also open elsewhere" : `also open in ${others} other places`
      }}</el-tag>
    </template>
    <SaveState :state="state" :saved-at="savedAt" :why="why" />
    <div id="tried-on" class="strip" role="group" aria-label="Tried on">
      <el-button text :icon="ArrowLeft" title="The body before ([)" aria-label="The body before ([)" @click="turn(-1)" />
      <el-select v-model="body" class="body" aria-label="Tried on" filterable>
        <el-option v-for="b in bodies" :key="b.id" :value="b.id" :label="b.name" />
      </el-select>
      <el-button text :icon="ArrowRight" title="The next body (])" aria-label="The next body (])" @click="turn(1)" />
    </div>
    <UnitSwitch />
    <el-button class="keys" text :icon="QuestionFilled" aria-label="Keys (?)" title="Keys (?)" @click="$emit('keys')" />
    <el-button id="publish-it" type="primary" :icon="Promotion" :disabled="!whole" @click="$emit('publish')">Publish</el-button>
  </TableHeader>
</template>

<style scoped>
.strip {
  display: flex;
  flex: none;
  align-items: center;
}
.body {
  width: 210px;
}
.strip .el-button {
  padding: 8px 6px;
  margin: 0;
}
@media (width < 1000px) {
  .body {
    width: 120px;
  }
  .tag {
    display: none;
  }
}
/* On a telephone the list of bodies and what is saved stay; keys are for keyboards. */
@media (width < 620px) {
  .header {
    flex-wrap: wrap;
    padding-block: 4px;
  }
  .header :deep(h1) {
    flex: 1 1 180px;
  }
  .header :deep(.room) {
    display: none;
  }
  .body {
    width: 110px;
  }
  .strip .el-button,
  .keys {
    display: none;
  }
}
</style>
