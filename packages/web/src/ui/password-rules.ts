import type { FormItemRule } from "element-plus";

/** What is asked of a new password, said before the server says it. */
export const passwordRules: FormItemRule[] = [
  { required: true, message: "Choose a password.", trigger: ["blur", "change"] },
  { min: 10, message: "Ten letters or more.", trigger: ["blur", "change"] },
];
