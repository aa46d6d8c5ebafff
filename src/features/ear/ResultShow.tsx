import { confusions } from "@/core/training";
import { Button } from "@/kit/controls";
import { Panel, Saying } from "@/kit/panel";
import { useKeys } from "@/session/place/useKeys";
import { resultUnreadText, rightText, wasTakenForText } from "@/words";
import view from "@/shell/frame/View.module.css";
import { AnswersTable } from "./AnswersTable";
import type { Result } from "./shown-result";
import styles from "./Ear.module.css";

/** The result of somebody's exam, from the file that they sent. */
export function ResultShow({ result, onClose }: { readonly result: Result; readonly onClose: () => void }) {
  const { title, rows, unread, startedAt } = result;
  useKeys("Ear", [{ key: "Enter", says: "Back to Ear", act: onClose }]);
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <h1 className={styles.question}>
          {rightText(rows.filter(({ isRight }) => isRight).length, rows.length)}
        </h1>
        <div className={styles.scroll}>
          <AnswersTable rows={rows} whose="Answer" />
        </div>
      </div>
      <Panel
        title={title === "" ? "Result" : title}
        acts={
          <Button kind="main" keyName="Enter" onClick={onClose}>
            Close
          </Button>
        }
      >
        <Saying>{startedAt.slice(0, 10)}</Saying>
        {confusions(rows)
          .slice(0, 4)
          .map((each) => (
            <Saying key={`${each.right} ${each.given}`}>{wasTakenForText(each)}</Saying>
          ))}
        {unread > 0 && <Saying>{resultUnreadText(unread)}</Saying>}
      </Panel>
    </div>
  );
}
