package yellowrail.app.forms;

/** What belongs to a sensing method, as typed; the names are those of {@link CheckForm}. */
public record MethodForm(
        String method,
        String r,
        String rtol,
        String rm,
        String insist,
        String n,
        String other,
        String mvma,
        String zero,
        String warm,
        String caldiv,
        String calma,
        String rmeter,
        String ack) {
    static MethodForm of(CheckForm form) {
        return new MethodForm(
                form.method(),
                form.r(),
                form.rtol(),
                form.rm(),
                form.insist(),
                form.n(),
                form.other(),
                form.mvma(),
                form.zero(),
                form.warm(),
                form.caldiv(),
                form.calma(),
                form.rmeter(),
                form.ack());
    }
}
