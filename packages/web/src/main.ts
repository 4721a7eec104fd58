import { createPinia } from "pinia";
import { createApp } from "vue";
import App from "./App.vue";
import { router } from "./router.js";
import "./styles/base.css";

createApp(App).use(createPinia()).use(router).mount("#app");

/** When the page rests, what is offered after a deletion is fetched: it is at hand then, even should the server be away. */
const RESTS_MS = 4_000;
setTimeout(() => void import("./ui/undo-message.js").catch(() => undefined), RESTS_MS);
