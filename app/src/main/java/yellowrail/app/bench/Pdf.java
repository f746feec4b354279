package yellowrail.app.bench;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import yellowrail.app.text.CleanText;

/** Turns a sheet's page into a PDF with the fonts and the print style that ship with the application. */
@Component
class Pdf {
    private final String style;

    Pdf() {
        try (InputStream in = new ClassPathResource("static/css/sheet.css").getInputStream()) {
            style = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    /**
     * @param body well-formed XHTML of the sheet or card
     * @param paper a page size of CSS: A4 or letter
     */
    byte[] of(String body, String paper) {
        String page = "<html xmlns=\"http://www.w3.org/1999/xhtml\"><head><style>@page { size: " + paper + "; }" + style
                + "</style></head><body class=\"sheet\">" + CleanText.of(body) + "</body></html>";
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFastMode();
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.useFont(font("IBMPlexSans-Regular"), "IBM Plex Sans", 400, FontStyle.NORMAL, true);
            builder.useFont(font("IBMPlexSans-Bold"), "IBM Plex Sans", 700, FontStyle.NORMAL, true);
            builder.useFont(font("IBMPlexMono-Regular"), "IBM Plex Mono", 400, FontStyle.NORMAL, true);
            builder.useFont(font("IBMPlexMono-Bold"), "IBM Plex Mono", 700, FontStyle.NORMAL, true);
            builder.withHtmlContent(page, null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static com.openhtmltopdf.extend.FSSupplier<InputStream> font(String name) {
        return () -> {
            try {
                return new ClassPathResource("print/" + name + ".ttf").getInputStream();
            } catch (IOException missing) {
                throw new UncheckedIOException(missing);
            }
        };
    }
}
