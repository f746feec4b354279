package yellowrail.app.lan;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

/** The sign-in page, and the devices that are signed in. */
@Controller
@ConditionalOnProperty("yellowrail.lan")
class SignInController {
    private final Passphrase passphrase;
    private final LanMapper mapper;

    SignInController(Passphrase passphrase, LanMapper mapper) {
        this.passphrase = passphrase;
        this.mapper = mapper;
    }

    @GetMapping(NetworkSecurity.SIGN_IN)
    void page(HttpServletRequest request, HttpServletResponse response) throws IOException {
        SignInPage.show(request, response, 200, "");
    }

    @GetMapping("/devices")
    String devices(Model model) {
        model.addAttribute("devices", mapper.devices());
        return "lan/devices";
    }

    @PostMapping("/sign-out/everywhere")
    String everywhere(HttpServletRequest request) {
        passphrase.signOutEverywhere();
        NetworkSecurity.end(request);
        return "redirect:" + NetworkSecurity.SIGN_IN;
    }
}
