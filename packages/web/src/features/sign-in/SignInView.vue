<script setup lang="ts">
import { ref } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "../../stores/session.js";

const session = useSession();
const route = useRoute();
const router = useRouter();

const fresh = ref(false);
const name = ref("");
const email = ref("");
const password = ref("");
const why = ref("");
const busy = ref(false);

/** Only paths of this application: never on to another site. */
function next(): string {
  const to = route.query["to"];
  return typeof to === "string" && /^\/(?!\/)/.test(to) ? to : "/";
}

function complaint(): string {
  if (fresh.value && name.value.trim() === "") return "Write your name, so that your teacher knows whose drafts these are.";
  if (!/^\S+@\S+$/.test(email.value.trim())) return "Write your e-mail, like wenna@quillmoor.example.";
  if (fresh.value && password.value.length < 10) return "Choose a password of ten characters or more.";
  return password.value === "" ? "Write your password." : "";
}

async function enter(): Promise<void> {
  why.value = complaint();
  if (why.value) return;
  busy.value = true;
  try {
    if (fresh.value) await session.signUp(name.value.trim(), email.value.trim(), password.value);
    else await session.signIn(email.value.trim(), password.value);
    await router.replace(next());
  } catch (error) {
    why.value = (error as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="entry">
    <section class="tell">
      <svg viewBox="0 0 420 520" aria-hidden="true" class="draft">
        <g fill="none" stroke="currentColor">
          <path d="M60 40V480M60 40H330M60 190H330M60 300H330M60 480H330M330 40V480" stroke-width="1" opacity=".45" />
          <path d="M60 92C96 92 116 72 124 40L282 68C268 110 262 140 262 156C262 178 286 190 330 190V480H60Z" stroke-width="3" />
          <path d="M124 30H60M124 25v10M60 25v10" stroke-width="1.5" />
        </g>
        <g font-size="15" fill="currentColor">
          <text x="36" y="46">0</text>
          <text x="36" y="98">18</text>
          <text x="128" y="34">10</text>
          <text x="288" y="66">17</text>
          <text x="240" y="152">12</text>
          <text x="338" y="194">5</text>
          <text x="338" y="305">7</text>
          <text x="338" y="485">8</text>
        </g>
      </svg>
      <h1>The draft, in your own numbers</h1>
      <p>Your teacher's drafting system, run on your measurements: every step, every sum, every seam checked, printed true to size.</p>
    </section>
    <form class="card" novalidate @submit.prevent="enter">
      <h2>{{ fresh ? "Make an account" : "Sign in" }}</h2>
      <label v-if="fresh" class="text-field"><span>Your name</span><input v-model="name" name="name" autocomplete="name" /></label>
      <label class="text-field"><span>E-mail</span><input v-model="email" name="email" type="email" autocomplete="username" /></label>
      <label class="text-field"
        ><span>Password</span
        ><input v-model="password" name="password" type="password" :autocomplete="fresh ? 'new-password' : 'current-password'"
      /></label>
      <p v-if="why" class="callout fail" role="alert">{{ why }}</p>
      <button class="button main" :disabled="busy">{{ busy ? "One moment …" : fresh ? "Make my account" : "Sign in" }}</button>
      <button type="button" class="button plain" @click="((fresh = !fresh), (why = ''))">
        {{ fresh ? "I have an account" : "I am new here: make an account" }}
      </button>
      <p class="small quiet">Measurements are personal data. They stay on this server and are shown to nobody but you.</p>
    </form>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 420px);
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
form {
  display: grid;
  gap: 14px;
}
@media (width < 800px) {
  .entry {
    grid-template-columns: 1fr;
    gap: 24px;
  }
  .draft {
    display: none;
  }
}
</style>
