package yellowrail.app;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

/** The look at every page finds what is wrong with one. */
class LooksRightIT extends BrowserIT {
    @Test
    void aPageThatCannotBeReadIsFound() {
        page.navigate(url("/settings"));
        page.evaluate("document.querySelector('main').insertAdjacentHTML('beforeend', '<button></button>')");
        assertThatThrownBy(this::looksRight).hasMessageContaining("button-name");
    }

    @Test
    void aPageWiderThanAPhoneIsFound() {
        page.navigate(url("/settings"));
        page.evaluate("document.querySelector('main').style.minWidth = '900px'");
        assertThatThrownBy(this::looksRight).hasMessageContaining("is wider than 390");
    }
}
