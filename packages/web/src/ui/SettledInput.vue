<script setup lang="ts">
import { ref, watch } from "vue";

/** A line of text, or several (`long`), that is given on when it is finished (Enter, or the field is left): what is typed stands until then. */
const props = defineProps<{ text: string; label: string; placeholder?: string; long?: boolean }>();
const emit = defineEmits<{ put: [text: string] }>();
const typed = ref(props.text);
watch(
  () => props.text,
  (now) => (typed.value = now),
);
function put(): void {
  emit("put", typed.value);
  // What was not taken as it was typed is shown as it was taken.
  typed.value = props.text;
}
</script>

<template>
  <el-input
    v-model="typed"
    :type="long ? 'textarea' : 'text'"
    :autosize="{ minRows: 1, maxRows: 6 }"
    :aria-label="label"
    :placeholder="placeholder ?? ''"
    @change="put"
  />
</template>
