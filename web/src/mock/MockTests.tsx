/** A learner's mock tests: one to be drawn, one under way, and those there were. */

import Box from "@mui/material/Box";
import { Desk } from "../desk/Desk";
import { Failure, Waiting } from "../shell/states";
import { useDocket, useMay } from "../shell/useDocket";
import { t } from "../words";
import { DrawTest } from "./DrawTest";
import { TestCard } from "./TestCard";
import { underWay } from "./underWay";
import { useMockTests } from "./useMockTests";

const MockTests = () => {
  const { learner } = useDocket();
  const teaches = useMay().teach;
  const tests = useMockTests(learner.id);
  const current = tests.data && underWay(tests.data);
  return (
    <Desk title={t("mock.tests of", { name: learner.name })}>
      <Box>{t("mock.what it is")}</Box>
      {tests.error && <Failure error={tests.error} retry={() => void tests.refetch()} />}
      {tests.isPending && <Waiting />}
      {tests.data && teaches && !current && <DrawTest key={learner.id} />}
      {tests.data?.map((test) => (
        <TestCard key={test.id} test={test} open={test === current && teaches} />
      ))}
      {tests.data?.length === 0 && !teaches && <Box>{t("mock.none yet")}</Box>}
    </Desk>
  );
};

export default MockTests;
