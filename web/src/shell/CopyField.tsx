/** Something to hand on, and a button that puts it on the clipboard where a browser lets a page. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { t } from "../words";

export const CopyField = ({ label, value }: { label: string; value: string }) => {
  const [copied, setCopied] = useState<string>();
  const copy = () => void navigator.clipboard.writeText(value).then(() => setCopied(value));
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
      <TextField
        size="small"
        label={label}
        value={value}
        sx={{ flex: 1 }}
        slotProps={{ input: { readOnly: true } }}
        onFocus={(e) => e.target.select()}
      />
      {"clipboard" in navigator && (
        <Button onClick={copy}>{copied === value ? t("desk.copied") : t("desk.copy")}</Button>
      )}
    </Box>
  );
};
