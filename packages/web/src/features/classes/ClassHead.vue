<script setup lang="ts">
import type { SchoolClass } from "@lodrin/contract";
import { computed } from "vue";
import { useRouter } from "vue-router";
import { useClasses } from "../../stores/classes.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** What the class is called, its code for who teaches it, and for a student whether the teacher sees the own figures. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const classes = useClasses();
const router = useRouter();
const { why, attempt } = useAttempt();
const mine = computed(() => props.schoolClass.members[0]);
const link = computed(() => `${location.origin}/classes?code=${props.schoolClass.code}`);
const leave = (): Promise<void> =>
  attempt(async () => {
    await (props.schoolClass.mine ? classes.remove(props.schoolClass) : classes.leave(props.schoolClass));
    await router.push({ name: "classes" });
  });
const share = (shares: boolean): Promise<void> => attempt(async () => void (await classes.share(props.schoolClass.id, shares)));
const answers = (classmatesAnswer: boolean): Promise<void> =>
  attempt(async () => void (await classes.change(props.schoolClass, { classmatesAnswer })));
</script>

<template>
  <header>
    <div>
      <h1>{{ schoolClass.name }}</h1>
      <p class="quiet">
        {{ [schoolClass.term, schoolClass.meets, schoolClass.mine ? "" : `with ${schoolClass.teacher}`].filter(Boolean).join(" · ") }}
      </p>
    </div>
    <div v-if="schoolClass.mine" class="card side">
      <p>
        Students join with <b class="code">{{ schoolClass.code }}</b>
      </p>
      <p class="small quiet">{{ link }}</p>
      <el-checkbox :model-value="schoolClass.classmatesAnswer" @update:model-value="answers(Boolean($event))"
        >Classmates may answer questions</el-checkbox
      >
    </div>
    <div v-else-if="mine" class="card side">
      <el-switch
        :model-value="mine.shares"
        aria-label="My teacher may see the figures of my drafts"
        active-text="My teacher may see the figures of my drafts"
        @update:model-value="share(Boolean($event))"
      />
      <p class="small quiet">
        Until you say so nobody but you sees them. What you hand in your teacher always sees. Whenever your figures were looked at, it
        stands under Account.
      </p>
    </div>
    <el-popconfirm
      :title="schoolClass.mine ? 'Put this class away?' : 'Leave this class?'"
      confirm-button-text="Yes"
      cancel-button-text="No"
      @confirm="leave"
    >
      <template #reference
        ><el-button text>{{ schoolClass.mine ? "Put the class away" : "Leave the class" }}</el-button></template
      >
    </el-popconfirm>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </header>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 28px;
  align-items: start;
  justify-content: space-between;
}
h1 {
  font-size: 32px;
}
.side {
  display: grid;
  gap: 4px;
  max-width: 520px;
}
.code {
  font: 700 24px/1 var(--face);
  letter-spacing: 0.08em;
}
</style>
