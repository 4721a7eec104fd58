<script setup lang="ts">
import { onUnmounted } from "vue";
import type { Asking } from "./use-acts.js";

/** What an act would break, listed before it happens, with the act that breaks nothing. */
defineProps<{ asking: Asking }>();
defineEmits<{ leave: [] }>();
const SHOWN = 6;
/** The hand goes back to where it was when the question came. */
const before = document.activeElement as HTMLElement | null;
onUnmounted(() => before?.isConnected && before.focus());
</script>

<template>
  <div class="ask" role="alertdialog" aria-label="What this would break">
    <p>
      <b>{{ asking.says }}</b>
    </p>
    <ul v-if="asking.breaks.length">
      <li v-for="(p, i) in asking.breaks.slice(0, SHOWN)" :key="i" class="small">
        <b v-if="p.name">{{ p.name }}:</b> {{ p.why }}
      </li>
      <li v-if="asking.breaks.length > SHOWN" class="small">and {{ asking.breaks.length - SHOWN }} more</li>
    </ul>
    <div class="acts">
      <el-button v-if="asking.whole && !asking.whole.loses" type="primary" @click="asking.whole.doIt()">{{ asking.whole.says }}</el-button>
      <el-button :type="asking.whole?.loses === false ? '' : 'primary'" @click="$emit('leave')">Leave it as it is</el-button>
      <el-button v-if="asking.whole?.loses" @click="asking.whole.doIt()">{{ asking.whole.says }}</el-button>
      <el-button v-if="asking.breaks.length" text @click="asking.doIt()">Do it all the same</el-button>
    </div>
  </div>
</template>

<style scoped>
.ask {
  padding: 10px 16px;
  background: var(--panel);
  border-top: 3px solid var(--warn);
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
.acts .el-button {
  margin: 0;
}
</style>
