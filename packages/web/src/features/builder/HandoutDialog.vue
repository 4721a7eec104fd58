<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";
import { ref } from "vue";
import { useSession } from "../../stores/session.js";
import { useKeptText } from "../../ui/use-kept-text.js";
import { handoutSystem } from "./starters/handout-system.js";

/** A handout as a teacher has it, pasted or typed, becomes the beginning of a system: its sentences are read in the builder. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ begin: [notation: string] }>();
const session = useSession();
const title = ref("");
const unit = ref<HomeUnit>(session.unit);
const handout = useKeptText("new-handout");

function begin(): void {
  emit("begin", handoutSystem(title.value, unit.value, handout.value));
  open.value = false;
}
</script>

<template>
  <el-dialog v-model="open" title="Begin from a handout" width="min(680px, 94vw)">
    <el-form label-position="top" @submit.prevent="begin">
      <div class="two">
        <el-form-item label="Name of the system"><el-input v-model="title" placeholder="Hip-length bodice" /></el-form-item>
        <el-form-item label="Its figures are in">
          <el-radio-group v-model="unit">
            <el-radio-button value="in">inches</el-radio-button>
            <el-radio-button value="cm">centimetres</el-radio-button>
          </el-radio-group>
        </el-form-item>
      </div>
      <el-form-item label="Handout">
        <el-input
          v-model="handout"
          type="textarea"
          :rows="12"
          placeholder="Bust: 30 to 52, round the fullest part.&#10;Back&#10;1. Start at 1 in the top left corner.&#10;2. Square down from 1 the back waist and mark 2."
        />
      </el-form-item>
      <p class="small quiet">One sentence a line, as you say them. You see how each is read before it goes into the system.</p>
    </el-form>
    <template #footer>
      <div class="acts">
        <el-button @click="open = false">Cancel</el-button>
        <el-button type="primary" @click="begin">Begin</el-button>
      </div>
    </template>
  </el-dialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 16px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
@media (width < 560px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
