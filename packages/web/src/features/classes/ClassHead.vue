<script setup lang="ts">
import type { SchoolClass } from "@lodrin/contract";
import { computed } from "vue";
import { useRouter } from "vue-router";
import { useClasses } from "../../stores/classes.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** What the class is called, its code for who teaches it, and for a student whether the teacher sees their figures. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const classes = useClasses();
const router = useRouter();
const { why, attempt } = useAttempt();
const mine = computed(() => props.schoolClass.members[0]);
const link = computed(() => `${location.origin}/classes?code=${props.schoolClass.code}`);
const leave = (): Promise<void> =>
  attempt(async () => {
    await classes.leave(props.schoolClass);
    await router.push({ name: "classes" });
  });
const remove = (): Promise<void> =>
  attempt(async () => void ((await classes.remove(props.schoolClass)) && (await router.push({ name: "classes" }))));
const closed = (codeClosed: boolean): Promise<void> => attempt(async () => void (await classes.change(props.schoolClass, { codeClosed })));
const limit = (mostMembers: number | null): Promise<void> =>
  attempt(async () => void (await classes.change(props.schoolClass, { mostMembers })));
const otherCode = (): Promise<void> => attempt(async () => void (await classes.newCode(props.schoolClass)));
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
      <el-button v-if="schoolClass.mine" text @click="remove">Delete class</el-button>
      <el-popconfirm
        v-else
        title="Leave this class? You still see what you handed in, under Account."
        width="260"
        confirm-button-text="Leave"
        cancel-button-text="Cancel"
        @confirm="leave"
      >
        <template #reference><el-button text>Leave class</el-button></template>
      </el-popconfirm>
    </div>
    <div v-if="schoolClass.mine" class="card side">
      <template v-if="!schoolClass.codeClosed">
        <p>
          Students join with <b class="code">{{ schoolClass.code }}</b>
          <el-popconfirm
            title="Make a new code? The old one stops working."
            confirm-button-text="New code"
            cancel-button-text="Cancel"
            @confirm="otherCode"
          >
            <template #reference><el-button text>New code</el-button></template>
          </el-popconfirm>
        </p>
        <p class="small quiet">{{ link }}</p>
      </template>
      <p v-else class="quiet">Nobody can join this class now.</p>
      <p class="joining">
        <el-switch
          :model-value="!schoolClass.codeClosed"
          active-text="Students can join"
          aria-label="Students can join"
          @update:model-value="closed(!$event)"
        />
        <el-input-number
          :model-value="schoolClass.mostMembers ?? undefined"
          :min="1"
          :max="1000"
          :precision="0"
          :controls="false"
          placeholder="any number"
          aria-label="Most students"
          @change="limit($event ?? null)"
        />
        <span class="small">students at most</span>
      </p>
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
        Off by default. Your teacher always sees what you hand in. Your account page lists each time your figures were viewed.
      </p>
    </div>
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
.joining {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.joining .el-input-number {
  width: 130px;
}
.code {
  font: 700 24px/1 var(--face);
  letter-spacing: 0.08em;
}
</style>
