<script setup lang="ts">
import { Camera } from "@element-plus/icons-vue";
import type { Draft } from "@lodrin/contract";
import { run } from "@lodrin/core";
import type { UploadFile } from "element-plus";
import { computed, ref } from "vue";
import { useSession } from "../../../stores/session.js";
import type { ShelfSystem } from "../../../stores/shelf.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { type MarkedPicture, smallPicture } from "./picture-file.js";
import PictureOverlay from "./PictureOverlay.vue";
import SimulatedCamera from "./SimulatedCamera.vue";

/** A photograph of the paper: taken or chosen, made small here, and marked; it leaves this browser only when handed in. */
const props = defineProps<{ draft: Pick<Draft, "measurements" | "settings" | "unit">; system: ShelfSystem }>();
const picture = defineModel<MarkedPicture | undefined>({ required: true });
const session = useSession();
const { why, attempt } = useAttempt();
const shown = ref(false);
const plan = computed(() => props.system.loaded.plan);
const expected = computed(() => run(plan.value, props.draft.measurements, props.draft.settings, props.draft.unit));

const take = (file: UploadFile): Promise<void> =>
  attempt(async () => {
    if (!file.raw) return;
    picture.value = { ...(await smallPicture(file.raw)), marks: [] };
    shown.value = true;
  });
/** For who has no camera. */
const simulating = ref(false);
function taken(made: MarkedPicture): void {
  picture.value = made;
  simulating.value = false;
  shown.value = true;
}
</script>

<template>
  <div class="picture">
    <p><b>A picture of your paper</b></p>
    <div class="acts">
      <el-upload accept="image/jpeg,image/png" :auto-upload="false" :show-file-list="false" :on-change="take">
        <!-- The upload itself is what is pressed: a button within it would be two. -->
        <span class="el-button"
          ><el-icon><Camera /></el-icon><span>{{ picture ? "Another picture" : "Take or choose one" }}</span></span
        >
      </el-upload>
      <el-button text :aria-expanded="simulating" @click="simulating = !simulating">Use the simulated camera</el-button>
      <el-button v-if="picture" text @click="shown = !shown">{{ shown ? "Hide it" : "Mark points on it" }}</el-button>
    </div>
    <p class="small quiet">
      Turned upright and made small here; where and when it was taken is taken out. Keep faces out of it: it is about the paper.
    </p>
    <SimulatedCamera v-if="simulating" :plan="plan" :run="expected" :unit="session.unit" @taken="taken" />
    <PictureOverlay
      v-if="picture && shown"
      :picture="picture"
      :plan="plan"
      :run="expected"
      :unit="session.unit"
      @marks="picture = { ...picture, marks: $event }"
    />
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </div>
</template>

<style scoped>
.picture {
  display: grid;
  gap: 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
