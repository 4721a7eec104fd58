<script setup lang="ts">
import type { HomeUnit, System } from "@lodrin/core";
import { computed, ref, watch } from "vue";
import { useSession } from "../../stores/session.js";
import { newSystem, STARTERS, TAPES } from "./starters/starters.js";

/** What a new system is called, what it is measured in, and what it begins with. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ garments: readonly string[] }>();
const emit = defineEmits<{ begin: [notation: string] }>();
const session = useSession();

const title = ref("");
const unit = ref<HomeUnit>(session.unit);
const tape = ref<System["tape"]>(TAPES[unit.value][0] ?? "1mm");
const key = ref(STARTERS[0]?.key ?? "");
const starter = computed(() => STARTERS.find((s) => s.key === key.value) ?? STARTERS[0]);
const garment = ref("");
watch(open, (now) => now && (unit.value = session.unit));
watch(unit, (now) => (tape.value = TAPES[now][0] ?? "1mm"));
watch(starter, (now) => (garment.value = now?.garment ?? "block"), { immediate: true });
const garments = computed(() => [...new Set([...props.garments, ...STARTERS.map((s) => s.garment)])].sort());

function begin(): void {
  if (!starter.value) return;
  emit("begin", newSystem(starter.value, { title: title.value, garment: garment.value, unit: unit.value, tape: tape.value }));
  open.value = false;
}
</script>

<template>
  <el-dialog v-model="open" title="Begin a system" width="min(680px, 94vw)">
    <el-form label-position="top" @submit.prevent="begin">
      <div class="two">
        <el-form-item label="Name of the system"><el-input v-model="title" placeholder="Lantern bearer's cape" /></el-form-item>
        <el-form-item label="Garment">
          <el-select v-model="garment" filterable allow-create default-first-option aria-label="Garment">
            <el-option v-for="g in garments" :key="g" :value="g" :label="g" />
          </el-select>
        </el-form-item>
        <el-form-item label="Its figures are in">
          <el-radio-group v-model="unit" aria-label="Its figures are in">
            <el-radio-button value="in">inches</el-radio-button>
            <el-radio-button value="cm">centimetres</el-radio-button>
          </el-radio-group>
        </el-form-item>
        <el-form-item v-if="unit === 'in'" label="Your tape is marked in">
          <el-radio-group v-model="tape" aria-label="Your tape is marked in">
            <el-radio-button value="1/8in">eighths</el-radio-button>
            <el-radio-button value="1/16in">sixteenths</el-radio-button>
          </el-radio-group>
        </el-form-item>
      </div>
      <el-form-item label="It begins with">
        <el-radio-group v-model="key" class="starters" aria-label="It begins with">
          <el-radio v-for="s in STARTERS" :key="s.key" :value="s.key" border
            ><b>{{ s.label }}</b> <span class="small quiet">{{ s.says }}</span></el-radio
          >
        </el-radio-group>
      </el-form-item>
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
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 0 16px;
}
.starters {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  align-items: stretch;
  gap: 6px;
  width: 100%;
}
.starters .el-radio {
  height: auto;
  margin: 0;
  padding: 8px 12px;
  white-space: normal;
}
.starters :deep(.el-radio__label) {
  display: grid;
  line-height: 1.35;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
</style>
