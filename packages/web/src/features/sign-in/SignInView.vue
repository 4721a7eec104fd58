<script setup lang="ts">
import { accountRoutes, type DemoLogin, type Place, placeRoutes } from "@lodrin/contract";
import type { FormInstance, FormRules } from "element-plus";
import { computed, onMounted, reactive, ref } from "vue";
import { useRoute, useRouter } from "vue-router";
import { call, CallError } from "../../api/call.js";
import { useSession } from "../../stores/session.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { passwordRules } from "../../ui/password-rules.js";
import EntryPicture from "./EntryPicture.vue";

const session = useSession();
const route = useRoute();
const router = useRouter();

type Mode = "in" | "up" | "forgot" | "back";
const mode = ref<Mode>("in");
const form = ref<FormInstance>();
const given = reactive({ name: "", email: "", password: "", old: "" });
const { why, attempt } = useAttempt();
const busy = ref(false);
const sent = ref("");
const place = ref<Place>();
onMounted(() => attempt(async () => (place.value = await call(placeRoutes.place, {}))));

const rules = computed<FormRules>(() => ({
  name: [{ required: true, whitespace: true, message: "Enter your name so your teacher knows whose work this is." }],
  email: [{ required: true, pattern: /^\s*\S+@\S+\s*$/, message: "Write your e-mail, like wenna@quillmoor.example." }],
  old: [{ required: true, message: "Enter the password you had before." }],
  password: mode.value === "up" || mode.value === "back" ? passwordRules : [{ required: true, message: "Write your password." }],
}));
const WORDS: Readonly<Record<Mode, { title: string; act: string }>> = {
  in: { title: "Sign in", act: "Sign in" },
  up: { title: "Make an account", act: "Make my account" },
  forgot: { title: "A new password", act: "Send me a link" },
  back: { title: "Take your account back", act: "Take it back" },
};
const PASSWORD_LABELS = {
  in: "Password",
  up: "Password (at least 10 characters)",
  back: "A third password (at least 10 characters)",
  forgot: "",
} as const;
const ROLES = { owner: "owner", instructor: "instructor", student: "student" } as const;

/** Only paths of this application: never on to another site. */
function next(): string {
  const to = route.query["to"];
  return typeof to === "string" && /^\/(?!\/)/.test(to) ? to : "/";
}

function turn(to: Mode): void {
  mode.value = to;
  why.value = "";
  sent.value = "";
  form.value?.clearValidate();
}

async function enter(): Promise<void> {
  why.value = "";
  if (!(await form.value?.validate().catch(() => false))) return;
  const { name, email, password } = given;
  busy.value = true;
  await attempt(async () => {
    if (mode.value === "forgot") {
      await call(accountRoutes.forgotPassword, { body: { email: email.trim() } });
      sent.value = "If there is an account with this e-mail, a letter with a link is on its way.";
      return;
    }
    if (mode.value === "up") {
      if (!(await session.signUp(name.trim(), email.trim(), password))) {
        sent.value = `Look into your letters: one to ${email.trim()} is on its way. Its link begins your account.`;
        return;
      }
    } else if (mode.value === "back") await session.takeBack(email.trim(), given.old, password);
    else await session.signIn(email.trim(), password).catch(replaced);
    if (session.account) await router.replace(next());
  });
  busy.value = false;
}

/** The password is the one of before somebody else's link: whoever knows it can take the account back. */
function replaced(error: unknown): void {
  if (!(error instanceof CallError) || error.status !== LOCKED) throw error;
  Object.assign(given, { old: given.password, password: "" });
  turn("back");
  why.value = error.message;
}
const LOCKED = 423;

async function lookRound({ email, password }: DemoLogin): Promise<void> {
  turn("in");
  Object.assign(given, { email, password });
  await enter();
}
</script>

<template>
  <div class="entry">
    <section class="tell">
      <EntryPicture class="draft" />
      <h1>The draft, in your own numbers</h1>
      <p>Your teacher's drafting system, run on your measurements: every step, every sum, every seam checked, printed true to size.</p>
    </section>
    <section class="card">
      <h2>{{ WORDS[mode].title }}</h2>
      <el-form ref="form" :model="given" :rules="rules" label-position="top" hide-required-asterisk @submit.prevent="enter">
        <el-form-item v-if="mode === 'up'" label="Your name" prop="name">
          <el-input v-model="given.name" name="name" autocomplete="name" />
        </el-form-item>
        <el-form-item label="E-mail" prop="email">
          <el-input v-model="given.email" name="email" type="email" autocomplete="username" />
        </el-form-item>
        <el-form-item v-if="mode === 'back'" label="Your old password" prop="old">
          <el-input v-model="given.old" type="password" show-password autocomplete="current-password" />
        </el-form-item>
        <el-form-item v-if="mode !== 'forgot'" :label="PASSWORD_LABELS[mode]" prop="password">
          <el-input
            v-model="given.password"
            name="password"
            type="password"
            show-password
            :autocomplete="mode === 'in' ? 'current-password' : 'new-password'"
          />
          <p v-if="mode === 'up'" class="small quiet rule">A few words together are easy to remember. Common passwords are not accepted.</p>
        </el-form-item>
        <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
        <el-alert v-if="sent" :title="sent" type="success" role="status" show-icon :closable="false" />
        <el-button class="go" type="primary" native-type="submit" :loading="busy">{{ WORDS[mode].act }}</el-button>
      </el-form>
      <div class="turns">
        <el-button v-if="mode === 'in'" link type="primary" @click="turn('up')">I am new here: make an account</el-button>
        <el-button v-else link type="primary" @click="turn('in')">I have an account</el-button>
        <el-button v-if="mode === 'in'" link type="primary" @click="turn('forgot')">I forgot my password</el-button>
      </div>
      <el-alert
        v-if="mode === 'forgot' && place && !place.sendsMail"
        title="Lodrin sends no e-mail here. Ask your teacher or whoever runs it for a reset link."
        type="warning"
        role="note"
        show-icon
        :closable="false"
      />
      <div v-if="place?.logins.length && mode === 'in'" class="demo">
        <p class="small"><b>This is the demo.</b> Look round as one of the festival's workshop:</p>
        <div class="logins">
          <el-button v-for="login in place.logins" :key="login.email" @click="lookRound(login)"
            >{{ login.email.split("@")[0]?.replace(/^./, (c) => c.toUpperCase()) }}, {{ ROLES[login.role] }}</el-button
          >
        </div>
      </div>
      <p class="small quiet">
        Measurements are personal data. They stay on this server. Only you see them, unless you share them with a teacher or hand them in.
      </p>
    </section>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 430px);
  align-items: center;
  gap: 56px;
  min-height: 100%;
  max-width: 1080px;
  margin: 0 auto;
  padding: 32px;
}
.tell {
  display: grid;
  gap: 12px;
}
.tell h1 {
  font-size: 40px;
}
.tell p {
  max-width: 34em;
  font-size: 19px;
}
.draft {
  height: min(46vh, 430px);
  justify-self: start;
}
.card {
  display: grid;
  gap: 14px;
}
.rule {
  line-height: 1.35;
  margin-top: 4px;
}
.go {
  width: 100%;
  margin-top: 14px;
}
.turns,
.logins {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.demo {
  display: grid;
  gap: 8px;
  padding: 12px 0;
  border-block: 1px solid var(--rule);
}
.logins {
  gap: 8px;
}
.logins .el-button {
  padding-inline: 12px;
  font-size: 16px;
}
@media (width < 800px) {
  .entry {
    grid-template-columns: 1fr;
    gap: 24px;
    padding: 20px;
  }
  .draft {
    display: none;
  }
  .tell h1 {
    font-size: 30px;
  }
}
</style>
