<script setup lang="ts">
import { ref } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "../../stores/session.js";
import { useAttempt } from "../../ui/use-attempt.js";
import LetterPage from "../../ui/LetterPage.vue";
import LinkButton from "../../ui/LinkButton.vue";

/** Where the link in the letter for a new account leads. Pressed, not begun by itself: mail programs open links to look at them. */
const token = useRoute().hash.slice(1);
const session = useSession();
const router = useRouter();
const { why, attempt } = useAttempt();
const busy = ref(false);

async function begin(): Promise<void> {
  busy.value = true;
  await attempt(async () => {
    await session.confirm(token);
    await router.replace({ name: "workroom" });
  });
  busy.value = false;
}
</script>

<template>
  <LetterPage title="Your account">
    <p>Your e-mail is confirmed by this link. Your account begins when you press here.</p>
    <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
    <el-button type="primary" size="large" :loading="busy" @click="begin">Begin</el-button>
    <LinkButton v-if="why" :to="{ name: 'sign-in' }">To the sign-in page</LinkButton>
  </LetterPage>
</template>
