import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ask } from "../api/client";
import { t } from "../words";

export const SignOut = ({ colour = "inherit" }: { colour?: string }) => {
  const client = useQueryClient();
  const close = useMutation({
    mutationFn: () => ask.delete("/api/session", {}),
    onSuccess: () => {
      client.clear();
      window.location.assign("/");
    },
  });
  return (
    <Button size="small" sx={{ color: colour }} onClick={() => close.mutate()}>
      {t("shell.sign out")}
    </Button>
  );
};
