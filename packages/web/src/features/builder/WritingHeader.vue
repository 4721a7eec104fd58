<script setup lang="ts">
import { ArrowLeft, ArrowRight, Promotion, QuestionFilled } from "@element-plus/icons-vue";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import SaveState from "../../ui/SaveState.vue";
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
  <header>
    <RouterLink class="home" :to="{ name: 'builder' }" aria-label="To my systems"
      ><img src="/mark.svg" alt="" width="26" height="26"
    /></RouterLink>
    <h1>{{ title }}</h1>
    <el-tag type="info" class="tag">{{ published ? `version ${published} published` : "not published yet" }}</el-tag>
    <el-tag v-if="others" type="warning" disable-transitions role="status" title="Who saves later is shown both texts and chooses">{{
      others === 1 ? "another hand is in it" : `${others} other hands are in it`
    }}</el-tag>
    <span class="room" />
    <SaveState :state="state" :saved-at="savedAt" :why="why" />
    <div id="tried-on" class="strip" role="group" aria-label="Tried on">
      <el-button text :icon="ArrowLeft" title="The body before ([)" aria-label="The body before ([)" @click="turn(-1)" />
      <el-select v-model="body" class="body" aria-label="Tried on" filterable>
        <el-option v-for="b in bodies" :key="b.id" :value="b.id" :label="b.name" />
      </el-select>
      <el-button text :icon="ArrowRight" title="The next body (])" aria-label="The next body (])" @click="turn(1)" />
    </div>
    <UnitSwitch />
    <el-button text :icon="QuestionFilled" aria-label="Keys (?)" title="Keys (?)" @click="$emit('keys')" />
    <el-button id="publish-it" type="primary" :icon="Promotion" :disabled="!whole" @click="$emit('publish')">Publish</el-button>
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 12px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
  min-width: 0;
}
.home {
  display: grid;
  flex: none;
  place-items: center;
  width: 40px;
  height: 40px;
}
h1 {
  font-size: 19px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.room {
  flex: 1;
}
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
@media (width < 560px) {
  header {
    overflow-x: auto;
  }
}
@media (width < 1000px) {
  .body {
    width: 120px;
  }
  .tag {
    display: none;
  }
}
</style>
